using System.Text;
using SkiaSharp;

namespace Merienda.Formats.Tests;

/// <summary>What people bring as a picture: kept upright and small, without what the camera wrote, or refused in words.</summary>
public class PictureFileTests
{
    private static readonly SKColor Left = SKColors.Red,
        Right = SKColors.Blue;

    /// <summary>Red at its left, blue at its right.</summary>
    private static byte[] Drawn(int width, int height, SKEncodedImageFormat format = SKEncodedImageFormat.Jpeg)
    {
        using var surface = SKSurface.Create(new SKImageInfo(width, height));
        surface.Canvas.Clear(Left);
        using var blue = new SKPaint { Color = Right };
        surface.Canvas.DrawRect(width / 2f, 0, width, height, blue);
        using var image = surface.Snapshot();
        return image.Encode(format, 95).ToArray();
    }

    /// <summary>A JPEG with what a camera writes (EXIF 2.3, APP1): how it was held, and who made it.</summary>
    private static byte[] WithExif(byte[] jpeg, byte orientation)
    {
        byte[] said = [.. Encoding.ASCII.GetBytes("Secret kitchen"), 0, 0];
        byte[] tiff =
        [
            .. "MM\0*"u8,
            0,
            0,
            0,
            8,
            0,
            2,
            // Make (0x010F), ASCII, 15 letters, at offset 38.
            .. new byte[] { 0x01, 0x0F, 0, 2, 0, 0, 0, 15, 0, 0, 0, 38 },
            // Orientation (0x0112), SHORT, one.
            .. new byte[] { 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0 },
            0,
            0,
            0,
            0,
            .. said,
        ];
        byte[] body = [.. "Exif\0\0"u8, .. tiff];
        return [0xFF, 0xD8, 0xFF, 0xE1, (byte)((body.Length + 2) >> 8), (byte)(body.Length + 2), .. body, .. jpeg[2..]];
    }

    private static (SKBitmap Large, SKBitmap Small) Kept(byte[] file)
    {
        var read = PictureFile.Read(file);
        Assert.Null(read.Refusal);
        return (SKBitmap.Decode(read.Value.Large), SKBitmap.Decode(read.Value.Small));
    }

    private static string ColourAt(SKBitmap bitmap, double x, double y)
    {
        var colour = bitmap.GetPixel((int)(x * (bitmap.Width - 1)), (int)(y * (bitmap.Height - 1)));
        return (colour.Red > 150, colour.Blue > 150) switch
        {
            (true, true) => "white",
            (true, false) => "red",
            (false, true) => "blue",
            _ => "other",
        };
    }

    [Theory]
    [InlineData(SKEncodedImageFormat.Jpeg)]
    [InlineData(SKEncodedImageFormat.Png)]
    [InlineData(SKEncodedImageFormat.Webp)]
    public void A_picture_is_made_smaller_and_keeps_its_shape(SKEncodedImageFormat format)
    {
        var (large, small) = Kept(Drawn(3000, 2000, format));
        Assert.Equal((1600, 1067), (large.Width, large.Height));
        Assert.Equal((400, 267), (small.Width, small.Height));
        Assert.Equal(("red", "blue"), (ColourAt(small, 0.1, 0.5), ColourAt(small, 0.9, 0.5)));
    }

    [Fact]
    public void A_small_picture_is_not_blown_up() => Assert.Equal((40, 30), (Kept(Drawn(40, 30)).Large.Width, 30));

    [Theory]
    [InlineData(1, 60, 40, "red at the left")]
    [InlineData(2, 60, 40, "red at the right")]
    [InlineData(3, 60, 40, "red at the right")]
    [InlineData(4, 60, 40, "red at the left")]
    [InlineData(5, 40, 60, "red at the top")]
    [InlineData(6, 40, 60, "red at the top")]
    [InlineData(7, 40, 60, "red at the bottom")]
    [InlineData(8, 40, 60, "red at the bottom")]
    public void It_stands_as_the_camera_was_held(byte orientation, int width, int height, string red)
    {
        var (large, _) = Kept(WithExif(Drawn(60, 40), orientation));
        Assert.Equal((width, height), (large.Width, large.Height));
        var at = new Dictionary<string, string>
        {
            ["red at the left"] = ColourAt(large, 0.1, 0.5),
            ["red at the right"] = ColourAt(large, 0.9, 0.5),
            ["red at the top"] = ColourAt(large, 0.5, 0.1),
            ["red at the bottom"] = ColourAt(large, 0.5, 0.9),
        };
        Assert.Equal("red", at[red]);
    }

    [Fact]
    public void What_the_camera_wrote_is_not_kept()
    {
        var file = WithExif(Drawn(60, 40), 1);
        Assert.Contains("Secret kitchen", Encoding.Latin1.GetString(file));
        var kept = PictureFile.Read(file).Value;
        foreach (var written in new[] { kept.Large, kept.Small })
        {
            var text = Encoding.Latin1.GetString(written);
            Assert.DoesNotContain("Secret kitchen", text);
            Assert.DoesNotContain("Exif", text);
            Assert.Equal(SKEncodedImageFormat.Jpeg, SKCodec.Create(new MemoryStream(written)).EncodedFormat);
        }
    }

    [Fact]
    public void What_is_transparent_stands_on_the_page()
    {
        using var bitmap = new SKBitmap(20, 20);
        bitmap.Erase(SKColors.Transparent);
        Assert.Equal("white", ColourAt(Kept(bitmap.Encode(SKEncodedImageFormat.Png, 90).ToArray()).Large, 0.5, 0.5));
    }

    [Fact]
    public void What_is_no_picture_is_refused()
    {
        var jpeg = Drawn(600, 400);
        var whole = "<svg xmlns=\"http://www.w3.org/2000/svg\"/>";
        foreach (
            var file in new[] { [], [0xFF, 0xD8, 0xFF], Encoding.UTF8.GetBytes(whole), "%PDF-1.7"u8.ToArray(), jpeg[..(jpeg.Length / 2)] }
        )
        {
            var refusal = PictureFile.Read(file).Refusal!;
            Assert.Equal(("no-picture", "picture", "Choose a JPEG, PNG or WebP file"), (refusal.Code, refusal.Field, refusal.Cure));
        }
    }

    [Fact]
    public void What_is_too_large_is_refused_by_its_bytes_and_by_its_pixels()
    {
        Assert.Equal(("picture-too-large", "5.0 MB"), Said(new byte[PictureFile.MostBytes + 1]));
        Assert.Equal("no-picture", Said(new byte[PictureFile.MostBytes]).Code);
        // A bitmap's head alone (BITMAPINFOHEADER, from memory): 20,000 pixels square and not one of them there.
        var head = new byte[2000];
        "BM"u8.CopyTo(head);
        (head[10], head[14], head[26], head[28]) = (54, 40, 1, 24);
        BitConverter.GetBytes(20_000).CopyTo(head, 18);
        BitConverter.GetBytes(20_000).CopyTo(head, 22);
        Assert.Equal(("picture-too-many-pixels", "20000 × 20000 pixels"), Said(head));

        static (string Code, string Value) Said(byte[] file)
        {
            var refusal = PictureFile.Read(file).Refusal!;
            return (refusal.Code, refusal.Value);
        }
    }
}

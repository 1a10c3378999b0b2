using Merienda.Core.Outcomes;
using SkiaSharp;

namespace Merienda.Formats;

/// <summary>A picture as it is kept: JPEG, upright, in sRGB, without anything that the camera wrote beside it.</summary>
/// <param name="Large">At most 1,600 pixels on its longer side.</param>
/// <param name="Small">At most 400 pixels on its longer side.</param>
public sealed record Picture(byte[] Large, byte[] Small);

/// <summary>Reads the pictures that people bring: JPEG, PNG, WebP, GIF (its first frame) and BMP.</summary>
public static class PictureFile
{
    public const int MostBytes = 5_000_000;

    /// <summary>A file of a few bytes may unfold to gigabytes; no camera of a phone takes more than this.</summary>
    private const long MostPixels = 120_000_000;

    private const int LargeSide = 1600,
        SmallSide = 400,
        Quality = 82;

    /// <summary>The page behind what is transparent.</summary>
    private static readonly SKColor Enamel = new(0xFB, 0xFC, 0xFD);

    /// <summary>Refuses what is too large, no picture, or a broken one.</summary>
    public static Result<Picture> Read(byte[] file)
    {
        if (file.Length > MostBytes)
        {
            return TooLarge(file.Length);
        }

        using var codec = SKCodec.Create(new MemoryStream(file));
        if (codec is null || codec.Info.Width < 1 || codec.Info.Height < 1)
        {
            return NotRead(file, "it is no picture that can be read here");
        }

        if ((long)codec.Info.Width * codec.Info.Height > MostPixels)
        {
            return new Refusal(
                "picture-too-many-pixels",
                "picture",
                $"{codec.Info.Width} × {codec.Info.Height} pixels",
                "a picture has at most 120 million pixels",
                "Save a smaller copy and choose that"
            );
        }

        using var decoded = new SKBitmap(
            new SKImageInfo(codec.Info.Width, codec.Info.Height, SKColorType.Rgba8888, SKAlphaType.Premul, SKColorSpace.CreateSrgb())
        );
        if (codec.GetPixels(decoded.Info, decoded.GetPixels()) != SKCodecResult.Success)
        {
            return NotRead(file, "it ends too early or is broken");
        }

        using var image = SKImage.FromBitmap(decoded);
        return new Picture(Drawn(image, codec.EncodedOrigin, LargeSide), Drawn(image, codec.EncodedOrigin, SmallSide));
    }

    public static Refusal TooLarge(long bytes) =>
        new(
            "picture-too-large",
            "picture",
            string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{bytes / 1_000_000m:0.0} MB"),
            "a picture has at most 5 MB",
            "Save a smaller copy and choose that"
        );

    private static Refusal NotRead(byte[] file, string reason) =>
        new("no-picture", "picture", $"{file.Length} bytes", reason, "Choose a JPEG, PNG or WebP file");

    private static byte[] Drawn(SKImage image, SKEncodedOrigin origin, int side)
    {
        var isTurned = origin >= SKEncodedOrigin.LeftTop;
        var (width, height) = isTurned ? (image.Height, image.Width) : (image.Width, image.Height);
        var scale = Math.Min(1f, (float)side / Math.Max(width, height));
        var info = new SKImageInfo(
            Math.Max(1, (int)MathF.Round(width * scale)),
            Math.Max(1, (int)MathF.Round(height * scale)),
            SKColorType.Rgba8888,
            SKAlphaType.Premul,
            SKColorSpace.CreateSrgb()
        );
        using var surface = SKSurface.Create(info);
        var canvas = surface.Canvas;
        canvas.Clear(Enamel);
        canvas.Scale((float)info.Width / width, (float)info.Height / height);
        canvas.Concat(Upright(origin, width, height));
        canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        using var drawn = surface.Snapshot();
        using var written = drawn.Encode(SKEncodedImageFormat.Jpeg, Quality);
        return written.ToArray();
    }

    /// <summary>From how the camera held the picture to how it is looked at (EXIF 2.3, tag 0x0112).</summary>
    /// <param name="width">Of the upright picture.</param>
    /// <param name="height">Of the upright picture.</param>
    private static SKMatrix Upright(SKEncodedOrigin origin, int width, int height) =>
        origin switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, width, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, width, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, height, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, width, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, width, -1, 0, height, 0, 0, 1),
            SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, height, 0, 0, 1),
            _ => SKMatrix.Identity,
        };
}

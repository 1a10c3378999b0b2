using System.IO.Compression;
using System.Text;

namespace Merienda.Formats.Tests;

public class RecipeArchiveTests
{
    private static MemoryStream Zip(params (string Name, byte[] Content)[] files)
    {
        var stream = new MemoryStream();
        using (var archive = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, content) in files)
            {
                using var entry = archive.CreateEntry(name, CompressionLevel.SmallestSize).Open();
                entry.Write(content);
            }
        }

        stream.Position = 0;
        return stream;
    }

    [Fact]
    public void Recipe_files_are_read_others_are_named_and_what_a_computer_adds_is_passed_over()
    {
        var read = RecipeArchive
            .Read(
                Zip(
                    ("mine/soup.txt", Encoding.UTF8.GetBytes("\uFEFFSoup\nServes 4")),
                    ("mine/old.txt", Encoding.Latin1.GetBytes("Crème")),
                    ("mine/photo.jpg", [1, 2, 3]),
                    ("mine/", []),
                    ("__MACOSX/mine/._soup.txt", [0]),
                    (".DS_Store", [0])
                )
            )
            .Value;
        Assert.Equal(
            [("mine/soup.txt", "Soup\nServes 4"), ("mine/old.txt", "Crème"), ("mine/photo.jpg", null)],
            read.Select(file => (file.Name, file.Text))
        );
        Assert.StartsWith("it is a picture", read[2].Problem, StringComparison.Ordinal);
    }

    [Fact]
    public void What_unpacks_to_mountains_stays_packed()
    {
        var mountain = new byte[RecipeArchive.MostBytesEach + 1];
        var one = RecipeArchive.Read(Zip(("bomb.txt", mountain), ("soup.txt", "Soup"u8.ToArray()))).Value;
        Assert.Null(one[0].Text);
        Assert.Equal("Soup", one[1].Text);
        var many = Enumerable.Range(0, (RecipeArchive.MostBytes / RecipeArchive.MostBytesEach) + 1).Select(at => ($"{at}.txt", mountain));
        Assert.Equal("zip-too-large", RecipeArchive.Read(Zip([.. many])).Refusal?.Code);
        var files = Enumerable.Range(0, RecipeArchive.MostFiles + 1).Select(at => ($"{at}.txt", Array.Empty<byte>()));
        Assert.Equal("zip-too-large", RecipeArchive.Read(Zip([.. files])).Refusal?.Code);
    }

    [Fact]
    public void What_is_no_archive_or_a_torn_one_is_refused()
    {
        Assert.Equal("not-a-zip", RecipeArchive.Read(new MemoryStream("a picture"u8.ToArray())).Refusal?.Code);
        var whole = Zip(("soup.txt", Encoding.UTF8.GetBytes(new string('x', 5_000)))).ToArray();
        Assert.Equal("not-a-zip", RecipeArchive.Read(new MemoryStream(whole[..^30])).Refusal?.Code);
        Assert.Empty(RecipeArchive.Read(Zip()).Value);
    }
}

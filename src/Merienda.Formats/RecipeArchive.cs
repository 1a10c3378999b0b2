using System.IO.Compression;
using System.Text;
using Merienda.Core.Outcomes;

namespace Merienda.Formats;

/// <summary>A file of an archive.</summary>
/// <param name="Text">Null where it is no recipe file, or more than a recipe.</param>
/// <param name="Problem">Why it was not read; empty where it was.</param>
public sealed record ArchivedFile(string Name, string? Text, string Problem);

/// <summary>Takes recipe files out of a zip, and never more than they can be: what unpacks to mountains is left packed.</summary>
public static class RecipeArchive
{
    /// <summary>Most files of an archive, most bytes of one of them and of all together, unpacked.</summary>
    public const int MostFiles = 2_000,
        MostBytesEach = 4_000_000,
        MostBytes = 64_000_000;

    private static readonly string[] Endings = [".txt", ".md", ".markdown", ".json", ".jsonld", ".html", ".htm"];

    private static readonly string[] Pictures = [".jpg", ".jpeg", ".png", ".webp", ".gif", ".heic"];

    public static Result<IReadOnlyList<ArchivedFile>> Read(Stream zip)
    {
        try
        {
            using var archive = new ZipArchive(zip, ZipArchiveMode.Read);
            if (archive.Entries.Count > MostFiles)
            {
                return TooLarge($"{archive.Entries.Count:#,0} files", $"at most {MostFiles:#,0} are read at once");
            }

            var files = new List<ArchivedFile>();
            var left = MostBytes;
            foreach (var entry in archive.Entries.Where(IsFile))
            {
                var ending = Path.GetExtension(entry.Name).ToLowerInvariant();
                if (!Endings.Contains(ending))
                {
                    var problem = Pictures.Contains(ending)
                        ? "it is a picture; a picture is added on the recipe's sheet"
                        : $"it is no recipe file; those end in {string.Join(", ", Endings)}";
                    files.Add(new(entry.FullName, null, problem));
                    continue;
                }

                // What a header says of its size may be a lie: it is read no further than it may.
                var bytes = Unpacked(entry, Math.Min(MostBytesEach, left));
                if (bytes is null && left < MostBytesEach)
                {
                    return TooLarge("more", $"unpacked it is at most {MostBytes / 1_000_000} MB");
                }

                left -= bytes?.Length ?? MostBytesEach;
                files.Add(
                    bytes is null
                        ? new(entry.FullName, null, $"it is larger than {MostBytesEach / 1_000_000} MB; a recipe is far smaller")
                        : new(entry.FullName, TextOf(bytes), "")
                );
            }

            return files;
        }
        catch (Exception error) when (error is InvalidDataException or IOException or NotSupportedException)
        {
            return new Refusal("not-a-zip", "file", "", "it cannot be unpacked", "Zip the folder anew, or choose the files themselves");
        }
    }

    /// <summary>Old files are often written in the letters of western Europe.</summary>
    private static string TextOf(byte[] bytes)
    {
        try
        {
            return new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(bytes).TrimStart('\uFEFF');
        }
        catch (DecoderFallbackException)
        {
            return Encoding.Latin1.GetString(bytes);
        }
    }

    private static bool IsFile(ZipArchiveEntry entry) =>
        entry.Name.Length > 0 && !entry.Name.StartsWith('.') && !entry.FullName.StartsWith("__MACOSX", StringComparison.Ordinal);

    /// <summary>Null when it has more than so many bytes.</summary>
    private static byte[]? Unpacked(ZipArchiveEntry entry, int most)
    {
        using var content = entry.Open();
        using var read = new MemoryStream();
        var part = new byte[81_920];
        for (var length = content.Read(part); length > 0; length = content.Read(part))
        {
            if (read.Length + length > most)
            {
                return null;
            }

            read.Write(part, 0, length);
        }

        return read.ToArray();
    }

    private static Refusal TooLarge(string value, string reason) =>
        new("zip-too-large", "file", value, reason, "Take it apart and bring the parts in one after the other");
}

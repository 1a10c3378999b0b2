using System.Text;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Larder;

/// <summary>A CSV file as an answer.</summary>
internal static class CsvAnswer
{
    /// <summary>Spreadsheets take a file for UTF-8 when it begins with the mark.</summary>
    public static FileContentHttpResult Of(string text, string name) =>
        TypedResults.File(Encoding.UTF8.GetPreamble().Concat(Encoding.UTF8.GetBytes(text)).ToArray(), "text/csv; charset=utf-8", name);
}

using System.Globalization;

namespace Merienda.Web.Hosting;

/// <summary>
/// Writes the numbers in sentences with the decimal mark that the household chose; the page sends it along. Numbers in JSON are not
/// touched.
/// </summary>
public sealed class NumberFormat(RequestDelegate next)
{
    public const string Header = "X-Number-Format";

    private static readonly CultureInfo Comma = WithComma();

    public Task Invoke(HttpContext context)
    {
        CultureInfo.CurrentCulture = context.Request.Headers[Header] == "comma" ? Comma : CultureInfo.InvariantCulture;
        return next(context);
    }

    private static CultureInfo WithComma()
    {
        var culture = (CultureInfo)CultureInfo.InvariantCulture.Clone();
        (culture.NumberFormat.NumberDecimalSeparator, culture.NumberFormat.NumberGroupSeparator) = (",", ".");
        (culture.NumberFormat.PercentDecimalSeparator, culture.NumberFormat.PercentGroupSeparator) = (",", ".");
        return culture;
    }
}

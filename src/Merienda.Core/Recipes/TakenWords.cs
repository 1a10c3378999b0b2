using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>How much of a line goes in, as a cook measures it out: what was weighed is weighed, what was counted is counted.</summary>
public static class TakenWords
{
    /// <summary>"450 g rice", "3 tbsp oil", "2 tins of 400 g chickpeas"; only the name where the line gives no amount.</summary>
    /// <param name="times">How often what is written; 0 for the name alone.</param>
    /// <param name="mass">Writes grams as the household reads them.</param>
    public static string Of(RecipeLine line, decimal times, Func<decimal, string> mass)
    {
        var (read, name) = (line.Read, line.Use?.Of.Of.Name ?? line.Read.Food);
        var isWeighed = read.Unit?.Kind == UnitKind.Mass || (line.Use is not null && read.Unit?.Kind != UnitKind.Volume);
        return times == 0 ? name
            : isWeighed && !line.GramsIn.IsOpen ? $"{mass(line.GramsIn.Best / line.Times * times)} {name}"
            : read.Amount is { } amount ? $"{Written(amount * times, read, times == 1)} {name}"
            : name;
    }

    private static string Written(WrittenAmount amount, ReadLine read, bool isAsWritten)
    {
        // A jug shows tenths of a litre; spoons, cups and pieces are taken in quarters.
        string Number(decimal value) => isAsWritten || read.Unit == Unit.Litre ? $"{value:0.##}" : Scaling.Number(value);
        var number = amount.Low == amount.High ? Number(amount.Low) : $"{Number(amount.Low)}–{Number(amount.High)}";
        var unit =
            read.Unit is null or { Name: "each" } ? ""
            : amount.High > 1 ? $" {read.Unit.Plural}"
            : $" {read.Unit.Name}";
        var size = read.Size is { } package ? $" of {package.Amount:0.##} {package.Unit.Name}" : "";
        return $"{number}{unit}{size}";
    }
}

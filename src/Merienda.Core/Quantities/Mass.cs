namespace Merienda.Core.Quantities;

/// <summary>A mass in grams, never negative.</summary>
public readonly record struct Mass
{
    public Mass(decimal grams) =>
        Grams = grams >= 0 ? grams : throw new ArgumentOutOfRangeException(nameof(grams), grams, "A mass is never negative.");

    public decimal Grams { get; }

    public static Mass operator +(Mass left, Mass right) => new(left.Grams + right.Grams);

    public static Mass operator *(Mass mass, decimal times) => new(mass.Grams * times);

    public static decimal operator /(Mass whole, Mass part) => whole.Grams / part.Grams;

    public override string ToString() => $"{Grams:0.###} g";
}

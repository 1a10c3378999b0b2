namespace Merienda.Core.Quantities;

/// <summary>A volume in millilitres, never negative.</summary>
public readonly record struct Volume
{
    public Volume(decimal millilitres) =>
        Millilitres =
            millilitres >= 0
                ? millilitres
                : throw new ArgumentOutOfRangeException(nameof(millilitres), millilitres, "A volume is never negative.");

    public decimal Millilitres { get; }

    public static Volume operator +(Volume left, Volume right) => new(left.Millilitres + right.Millilitres);

    public static Volume operator *(Volume volume, decimal times) => new(volume.Millilitres * times);

    public static decimal operator /(Volume whole, Volume part) => whole.Millilitres / part.Millilitres;

    public override string ToString() => $"{Millilitres:0.###} ml";
}

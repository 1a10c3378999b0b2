namespace Merienda.Core.Quantities;

/// <summary>Food energy in kilocalories; 1 kcal = 4.184 kJ (domain.md section 1).</summary>
public readonly record struct Energy
{
    /// <summary>Kilojoules in one kilocalorie: the thermochemical calorie.</summary>
    public const decimal KilojoulesPerKilocalorie = 4.184m;

    public Energy(decimal kilocalories) =>
        Kilocalories =
            kilocalories >= 0
                ? kilocalories
                : throw new ArgumentOutOfRangeException(nameof(kilocalories), kilocalories, "Food energy is never negative.");

    public decimal Kilocalories { get; }

    public decimal Kilojoules => Kilocalories * KilojoulesPerKilocalorie;

    public static Energy FromKilojoules(decimal kilojoules) => new(kilojoules / KilojoulesPerKilocalorie);

    public static Energy operator +(Energy left, Energy right) => new(left.Kilocalories + right.Kilocalories);

    public static Energy operator *(Energy energy, decimal times) => new(energy.Kilocalories * times);
}

namespace Merienda.Core.Foods;

/// <summary>Shares of polyols that a protocol takes off available carbohydrate, each 0 to 1 (domain.md section 2).</summary>
public sealed record PolyolCredit(decimal Erythritol, decimal Others)
{
    /// <summary>Erythritol whole, other polyols half.</summary>
    public static readonly PolyolCredit Default = new(1, 0.5m);

    /// <summary>"Count everything."</summary>
    public static readonly PolyolCredit None = new(0, 0);
}

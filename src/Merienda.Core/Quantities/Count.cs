namespace Merienda.Core.Quantities;

/// <summary>A number of pieces (eggs, tins, slices); parts of a piece are allowed, less than none is not.</summary>
public readonly record struct Count
{
    public Count(decimal pieces) =>
        Pieces = pieces >= 0 ? pieces : throw new ArgumentOutOfRangeException(nameof(pieces), pieces, "A count is never negative.");

    public decimal Pieces { get; }

    public static Count operator +(Count left, Count right) => new(left.Pieces + right.Pieces);

    public static Count operator *(Count count, decimal times) => new(count.Pieces * times);

    /// <summary>The mass of all pieces when each has <paramref name="each"/>.</summary>
    public static Mass operator *(Count count, Mass each) => each * count.Pieces;
}

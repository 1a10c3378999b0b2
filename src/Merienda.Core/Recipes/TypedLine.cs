namespace Merienda.Core.Recipes;

/// <summary>How an amount was measured, which says how wide it is (domain.md section 3).</summary>
public enum Precision
{
    Weighed,
    Measured,
    Counted,
    ByEye,
}

/// <summary>An ingredient line as a person typed it, with what is said of it beside its words.</summary>
/// <param name="Part">Name of the part of the dish it belongs to; empty for the unnamed one.</param>
public sealed record TypedLine(string Text, string Part = "")
{
    /// <summary>Survives edits, so that a variant may name the line.</summary>
    public Guid Id { get; init; }

    /// <summary>Whether a person chose its food or recipe: then the words decide nothing.</summary>
    public bool IsChosen { get; init; }

    /// <summary>How it was measured; null where the words say it.</summary>
    public Precision? Precision { get; init; }

    /// <summary>How much of what goes in is eaten, 0 to 1: a third of a marinade, nothing of a bay leaf.</summary>
    public decimal EatenShare { get; init; } = 1;

    /// <summary>How much of its own fat is eaten, 0 to 1: the rest was drained off or trimmed.</summary>
    public decimal KeptFat { get; init; } = 1;

    /// <summary>Whether only who wants it eats it; null where the words say it.</summary>
    public bool? IsOptional { get; init; }

    public static implicit operator TypedLine(string text) => new(text);

    public static TypedLine FromString(string text) => new(text);
}

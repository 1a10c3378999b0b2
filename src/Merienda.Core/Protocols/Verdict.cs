namespace Merienda.Core.Protocols;

/// <summary>
/// In rising order of weight, so that the verdict over several rules is the greatest: Breaks &gt; Can't tell &gt; Too close to call &gt;
/// Fits.
/// </summary>
public enum Verdict
{
    Fits,
    TooClose,
    CannotTell,
    Breaks,
}

public static class Verdicts
{
    /// <summary>Several rules roll up as the heaviest (domain.md section 6); no rules fit.</summary>
    public static Verdict RollUp(this IEnumerable<Verdict> verdicts) => verdicts.DefaultIfEmpty(Verdict.Fits).Max();

    public static string Word(this Verdict verdict) =>
        verdict switch
        {
            Verdict.Fits => "Fits",
            Verdict.TooClose => "Too close to call",
            Verdict.CannotTell => "Can't tell",
            _ => "Breaks",
        };

    /// <summary>The verdict's name in files and on the wire.</summary>
    public static string Key(this Verdict verdict) =>
        verdict switch
        {
            Verdict.Fits => "fits",
            Verdict.TooClose => "too-close",
            Verdict.CannotTell => "cannot-tell",
            _ => "breaks",
        };
}

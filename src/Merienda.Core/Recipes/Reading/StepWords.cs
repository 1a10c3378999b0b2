using System.Text.RegularExpressions;

namespace Merienda.Core.Recipes;

/// <summary>What the words of a step do: the appliance that is busy, and whether the cook may turn away [C].</summary>
internal static partial class StepWords
{
    /// <param name="Appliance">Null when the words do not say.</param>
    /// <param name="IsAlone">Null for "cook" and "heat", where the minutes say.</param>
    public readonly record struct Doing(Appliance? Appliance, bool? IsAlone, int At);

    /// <summary>Everything that a clause does, in the order of its words.</summary>
    public static IReadOnlyList<Doing> In(string clause) =>
        [
            .. Verbs()
                .Matches(clause)
                .Select(match =>
                {
                    var (appliance, isAlone) = Of(match);
                    return new Doing(appliance, isAlone, match.Index);
                }),
        ];

    /// <summary>Where the words say it happens; null when they do not.</summary>
    public static Appliance? PlaceIn(string clause)
    {
        var match = Places().Match(clause);
        return !match.Success ? null
            : match.Groups["air"].Success ? Appliance.AirFryer
            : match.Groups["slow"].Success ? Appliance.SlowCooker
            : match.Groups["pressure"].Success ? Appliance.PressureCooker
            : match.Groups["microwave"].Success ? Appliance.Microwave
            : match.Groups["oven"].Success ? Appliance.Oven
            : match.Groups["fridge"].Success ? Appliance.Fridge
            : match.Groups["blender"].Success ? Appliance.Blender
            : Appliance.Burner;
    }

    /// <summary>Whether it is stirred or turned so often that nobody can turn away.</summary>
    public static bool IsWatched(string step) => Watched().IsMatch(step);

    public static bool IsPreheating(string step) => Preheating().IsMatch(step);

    /// <summary>"Cook on low": a pot that has only two settings, as long as hours are meant.</summary>
    public static bool IsOnASetting(string clause) => Setting().IsMatch(clause);

    /// <summary>Whether it goes on while the step before it does.</summary>
    public static bool IsMeanwhile(string step) => Meanwhile().IsMatch(step);

    private static (Appliance?, bool?) Of(Match match) =>
        match.Groups["air"].Success ? (Appliance.AirFryer, true)
        : match.Groups["slow"].Success ? (Appliance.SlowCooker, true)
        : match.Groups["pressure"].Success ? (Appliance.PressureCooker, true)
        : match.Groups["microwave"].Success ? (Appliance.Microwave, true)
        : match.Groups["bake"].Success ? (Appliance.Oven, true)
        : match.Groups["boil"].Success ? (Appliance.Burner, true)
        : match.Groups["chill"].Success ? (Appliance.Fridge, true)
        : match.Groups["fry"].Success ? (Appliance.Burner, false)
        : match.Groups["blend"].Success ? (Appliance.Blender, false)
        : match.Groups["sink"].Success ? (Appliance.Sink, true)
        : match.Groups["cool"].Success ? (Appliance.Cooling, true)
        : match.Groups["wait"].Success ? (Appliance.None, true)
        : match.Groups["leave"].Success ? (null, true)
        : match.Groups["cook"].Success ? (null, null)
        : (null, false);

    [GeneratedRegex(
        @"(?<air>\bair[ -]?fry\b)|(?<slow>\bslow[ -]?cook\b)|(?<pressure>\bpressure[ -]?cook\b)|(?<microwave>\bmicrowave\b)"
            + @"|(?<fry>\b((pan|stir|shallow|deep)[ -]?)?fry\b|\bsaut[eé](e|é)?\b|\bsear\b|\bsweat\b|\bchar\b|\btemper the\b|\bcaramelise\b|\bcaramelize\b|\bsoften\b|\bbrown (the|it|them|in|on|(\w+ )?(mince|meat|beef|turkey|chicken|lamb|pork|sausages?|onions?))\b|\btoast (the|it|them|in)\b)"
            + @"|(?<bake>\bbake\b|\broast\b|\bbroil\b|\bgrill\b(?! pan))"
            + @"|(?<boil>\bsimmer(ing)?\b|\bbubbl(e|ing)\b|\b(par)?boil(ing)?\b|\bpoach\b|\bsteam\b|\bbraise\b|\bblanch\b|\breduce\b)"
            + @"|(?<chill>\bchill\b|\brefrigerate\b|\bmarinate\b)"
            + @"|(?<blend>\bblend\b|\bblitz\b|\bwhi[zs]z\b|(?<!tomato |tom |\+ |and )\bpur[eé]e\b(?! and)|\bliquidi[sz]e\b|\bpulse\b)"
            + @"|(?<sink>\bice[ -]bath\b|\biced?([ -]cold)? water\b|\bunder (cold )?running (cold )?water\b|\b(in|into) the sink\b)"
            + @"|(?<cool>\bcool\b(?! (place|spot|room|oven|water|dark)))"
            + @"|(?<wait>(?<!the )\brest\b(?! of)|\bstand\b|\bset aside\b|\bsoak\b|\bprove\b|\bproof\b|\brise\b|\binfuse\b|\bsteep\b|\bthaw\b|\bdefrost\b|\bpress\b|\bstrain\b|\bdrain\b|\bferment\b|\bhang\b)"
            + @"|(?<leave>\bleave\b|\blet\b|\breturn\b)"
            + @"|(?<cook>\bcook\b|(?<!the )\bheat\b(?! off)|\bwarm\b)"
            + @"|(?<hand>\bknead\b|\bwhisk\b|\bbeat\b|\bchop\b|\bslice\b|\bcut\b|\bstir\b|\bmix\b|\bwork\b)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Verbs();

    [GeneratedRegex(
        @"(?<air>\bair[ -]?fryer\b)|(?<slow>\bslow[ -]cooker\b)|(?<pressure>\bpressure[ -]cooker\b|\b(high|low) pressure\b)|(?<microwave>\bmicrowave\b)"
            + @"|(?<oven>(?<!from the |out of the |dutch )\boven\b|\bfan\b(?= ?(oven )?(at )?\d))|(?<fridge>\bfridge\b|\brefrigerator\b)|(?<blender>\bblender\b|\bfood processor\b)"
            + @"|\bstove(top)?\b|\bhob\b|\bsaucepan\b|\bskillet\b|\bdutch oven\b|\bwok\b|\bfrying pan\b|\bgriddle\b|\bgrill pan\b|\b(in|into|to) a (\w+ ){0,3}(pan|pot|casserole)\b|\bover (a )?(very )?(low|medium|high|gentle)\b|\bboiling (salted )?water\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Places();

    [GeneratedRegex(
        @"\bstir(ring)? (constantly|continuously|often|frequently|regularly|all the time)\b|, stirring,?( until| for|$|\.)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Watched();

    [GeneratedRegex(@"^\W*(pre-?heat\b|(heat|turn on|set|warm|get) (the |your |an? )?(oven|air[ -]?fryer)\b)", RegexOptions.IgnoreCase)]
    private static partial Regex Preheating();

    [GeneratedRegex(@"(\bon |^\W*)(low|high)\b(?! heat)", RegexOptions.IgnoreCase)]
    private static partial Regex Setting();

    [GeneratedRegex(@"^\W*(meanwhile|in the meantime|while (the|it|they|that|everything|your)\b)", RegexOptions.IgnoreCase)]
    private static partial Regex Meanwhile();
}

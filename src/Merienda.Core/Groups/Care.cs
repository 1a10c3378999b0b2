using System.Text.RegularExpressions;

namespace Merienda.Core.Groups;

/// <summary>What the desk looks at before anything else in somebody's words.</summary>
public enum CareKind
{
    /// <summary>It is said to cure, to clean the body or to be safe for the ill: never kept as a fact (domain.md section 10).</summary>
    HealthClaim,

    /// <summary>It may speak of harm that somebody does to themselves, or of far too little food.</summary>
    Harm,
}

/// <param name="Words">As they stand there.</param>
public sealed record CareMark(CareKind Kind, string Words);

/// <summary>
/// Finds words that want care. A mark only puts something before the eyes of who runs the group; it hides and judges nothing. The words are
/// our own list [C]; rather one too many is marked.
/// </summary>
public static class Care
{
    /// <summary>Said beside every health claim (domain.md section 10).</summary>
    public const string ClaimCaution =
        "No health claim is a fact here. Who is under 18, pregnant, ill or treated asks their clinical team first.";

    /// <summary>A day below this is far too little without a clinical team (domain.md section 10), kcal.</summary>
    private const int LeastEnergyKcal = 800;

    /// <summary>What in a text wants care, harm first; the same words once.</summary>
    public static IReadOnlyList<CareMark> In(string text)
    {
        var plain = text.Replace('’', '\'');
        return
        [
            .. Harm.Matches(plain)
                .Select(match => match.Value)
                .Concat(
                    EnergyADay
                        .Matches(plain)
                        .Where(match =>
                            int.Parse(match.Groups["kcal"].Value, System.Globalization.CultureInfo.InvariantCulture) < LeastEnergyKcal
                        )
                        .Select(match => match.Value)
                )
                .Select(words => new CareMark(CareKind.Harm, words.Trim()))
                .Concat(Claim.Matches(plain).Select(match => new CareMark(CareKind.HealthClaim, match.Value.Trim())))
                .DistinctBy(mark => (mark.Kind, mark.Words.ToLowerInvariant())),
        ];
    }

    private static readonly Regex Harm = Any(
        @"\bpurg(?:e[ds]?|ing)\b",
        @"\b(?:make|made|making) (?:myself|yourself|herself|himself) (?:sick|ill|vomit\w*)",
        @"\bthr(?:ow|ew|owing) (?:it |that |everything )?(?:all )?(?:back )?up\b",
        @"\bvomit\w*",
        @"\blaxatives?\b",
        @"\bfaint(?:ed|ing|s)?\b",
        @"\bpass(?:ed|ing)? out\b",
        @"\bblack(?:ed|ing) out\b",
        @"\bstarv(?:e|ed|ing) (?:myself|yourself|herself|himself)",
        @"\bbing(?:e[ds]?|e?ing)\b",
        @"\bself-?harm\w*",
        @"\b(?:hurt|hurting|cut|cutting|kill|killing|hate|hating) (?:myself|my body)\b",
        @"\bsuicid\w*",
        @"\b(?:have|has|had)(?:n't| not) eaten (?:for|in|since)\b",
        @"\bnot eaten (?:for|in|since)\b",
        @"\bskip(?:ped|ping)? (?:my|your|the) insulin",
        @"\bstop(?:ped|ping)? eating\b",
        @"\beating disorder\b",
        @"\b(?:anorexi|bulimi)\w*"
    );

    private const string Kcal = @"(?<kcal>\d{2,3})\s?(?:kcal|k?cals?|calories)";

    /// <summary>"600 kcal a day", "700 calories daily", "living on 500 kcal": of a day, not of a portion.</summary>
    private static readonly Regex EnergyADay = Any(
        @"(?<![\d.,])" + Kcal + @"\s?(?:a|per|each|every|/)\s?day\b",
        @"(?<![\d.,])" + Kcal + @" daily\b",
        @"\b(?:live|living|lived|stay|staying|survive|surviving|go|going) (?:on|under|below) " + Kcal + @"\b",
        @"\b(?:daily|day's) (?:kcal|calories) (?:of|at|under|below) (?<kcal>\d{2,3})\b"
    );

    private static readonly string Ills = string.Join(
        '|',
        @"diabet\w*",
        "cancers?",
        "blood (?:sugar|pressure)",
        "cholesterol",
        "inflammation",
        "arthritis",
        "thyroid",
        "gout",
        "ibs",
        "migraines?",
        "asthma",
        "eczema",
        "psoriasis",
        "depression",
        "anxiety",
        "dementia",
        "insulin resistance",
        "pcos",
        "(?:kidney|liver|heart) disease",
        "tumou?rs?",
        "infections?"
    );

    private static readonly Regex Claim = Any(
        @"\bcures\b",
        @"\bcure (?:for|your|my|all|any)\b",
        // Not what salt does to a fish.
        @"\b(?:will|can|to|could|may) cure\b(?! the (?:salmon|fish|ham|bacon|meat|egg))",
        @"\bcured (?:me|my|her|his|him|them)\b",
        @"\bheals?\b(?! over)",
        @"\bhealing\b",
        @"\bdetox\w*",
        @"\b(?:juice|body|liver|colon|gut) cleans\w+",
        @"\bflush(?:es)? (?:out )?toxins?\b",
        @"\btoxins?\b",
        @"\bmiracle\b",
        @"\bmedicinal\b",
        @"\banti-?cancer\b",
        @"\bsuper-?foods?\b",
        @"\b(?:burns?|melts?|blasts?|torches) (?:belly |body )?fat\b(?! off)",
        @"\b(?:boosts?|speeds? up|fires? up) (?:your |the )?(?:metabolism|immun\w+)",
        @"\bimmune[- ]boosting\b",
        @"\bno side effects\b",
        @"\binstead of (?:your |my |the )?(?:medicine|medication|insulin|tablets|pills|metformin|statins?)\b",
        @"\b(?:stop|come off|came off|stopped) (?:taking )?(?:your |my |the )?(?:medicine|medication|insulin|metformin|statins?)\b",
        @"\b(?:treats?|prevents?|reverses?|reversed|fights?|lowers?|lowered|beats?|stops?|relieves?|eases?|helps? (?:with|against)?|good for|kills?)"
            + $@" (?:\w+ ){{0,3}}?(?:{Ills})\b",
        @"\b(?:safe|fine|suitable|ok|okay) (?:for|with|in) (?:\w+ ){0,2}?"
            + @"(?:diabet\w*|pregnan\w*|c(?:o)?eliacs?|kidney|allerg\w*|epipen|everyone|anyone|everybody|anybody)",
        @"\b(?:diabetic|pregnancy|kidney|allergy)[- ](?:safe|friendly)\b"
    );

    private static Regex Any(params string[] patterns) =>
        new(string.Join('|', patterns), RegexOptions.IgnoreCase | RegexOptions.CultureInvariant);
}

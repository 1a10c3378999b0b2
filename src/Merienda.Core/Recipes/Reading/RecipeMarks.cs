using System.Text.RegularExpressions;
using Merienda.Core.Quantities;

namespace Merienda.Core.Recipes;

/// <summary>What tells a heading, a remark, a vessel or a step from an ingredient in a pasted recipe.</summary>
internal static partial class RecipeMarks
{
    /// <summary>Without marks of emphasis and headings.</summary>
    public static string Bare(string row) => Marks().Replace(row, "").Trim();

    /// <summary>Whether a row names the part that the lines below it are of.</summary>
    public static bool IsPart(string row, string bare, bool isShouted)
    {
        var words = bare.TrimEnd(':').Split(' ', StringSplitOptions.RemoveEmptyEntries).Length;
        if (words > 7 || bare.Length == 0 || char.IsAsciiDigit(bare[0]) || bare.Contains(',', StringComparison.Ordinal))
        {
            return false;
        }

        return bare.EndsWith(':')
            || PartStart().IsMatch(bare)
            || HangingPart().IsMatch(bare)
            || OfOne().IsMatch(bare)
            || (IsMarked(row) && AmountReader.Read(bare) is null)
            || (!isShouted && IsCapitals(bare));
    }

    private static bool IsMarked(string row) =>
        row.StartsWith('#')
        || row.StartsWith("==", StringComparison.Ordinal)
        || (row.StartsWith("**", StringComparison.Ordinal) && row.EndsWith("**", StringComparison.Ordinal))
        || (row.StartsWith("__", StringComparison.Ordinal) && row.EndsWith("__", StringComparison.Ordinal));

    /// <summary>Whether a few words stand above a list whose rows have bullets that it has not: "Toppings".</summary>
    public static bool HeadsList(string typed, string bare, string below) =>
        Bullet().IsMatch(below)
        && !Bullet().IsMatch(typed)
        && bare.Count(letter => letter == ' ') < 4
        && !bare.Contains(',', StringComparison.Ordinal)
        && AmountReader.Read(bare) is null;

    /// <summary>Whether a row is written in capitals alone.</summary>
    public static bool IsCapitals(string row) => row.Count(char.IsLetter) >= 4 && !row.Any(char.IsLower) && !row.Any(char.IsDigit);

    /// <summary>Whether a row below the ingredients says what to do.</summary>
    public static bool IsStep(string bare) => NumberedStep().IsMatch(bare) || IsUnnumberedStep(StepNumber().Replace(bare, ""));

    private static bool IsUnnumberedStep(string bare) =>
        HastyStep().IsMatch(bare)
        // Two sentences are no ingredient.
        || (Sentences().IsMatch(bare) && AmountReader.Read(bare) is null)
        // One word and a full stop are a step too ("Mix."), unless the word is a food.
        || (SentenceStart().IsMatch(bare) && !bare.Equals("toast.", StringComparison.OrdinalIgnoreCase));

    /// <summary>
    /// What stands before a row of a list; a minus stands before its number, and a number is the list's only where an amount follows.
    /// </summary>
    [GeneratedRegex(
        @"^([•▪▫◦‣●○■□☐☑✓✔·]\s*|[\p{So}\p{Cs}\uFE0F\u200D]+\s*|\d\uFE0F?\u20E3\s*|[-–—*+]\s+|\[[ xX]?\]\s*|\d{1,2}[.)]\s+(?=[\d½⅓⅔¼¾⅛]))+(?=\S)"
    )]
    public static partial Regex Bullet();

    [GeneratedRegex(@"^#+\s*|^=+\s*|\s*=+$|\*\*|__|^_|_$|[\u200b\ufeff]")]
    public static partial Regex Marks();

    [GeneratedRegex(
        @"^(the\s+)?(ingredients?|ingr\.?|ingredient list|you need|you will need|you'll need|what you need|shopping list)\s*:?\s*(\([^)]*\))?\s*:?\s*$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex IngredientsHeading();

    [GeneratedRegex(
        @"^(the\s+)?(method|meth\.?|instructions?|directions?|preparation|steps|how to( make( it)?| cook)?|cooking instructions|to make|what to do|procedure|how)\s*:?\s*$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex MethodHeading();

    /// <summary>"Directions: preheat the oven …".</summary>
    [GeneratedRegex(@"^(method|meth\.?|instructions?|directions?|preparation)\s*:\s+(?<step>\p{L}.*)$", RegexOptions.IgnoreCase)]
    public static partial Regex InlineMethod();

    [GeneratedRegex(@"[\p{Ll}\d)]\. \p{Lu}.*[.!]$")]
    private static partial Regex Sentences();

    [GeneratedRegex(
        @"^((recipe |cook's )?notes?|tips?|nutrition( facts| information| per serving| per portion)?|equipment|special equipment|storage|video|tools|kitchen tools|macros)\s*(\([^)]*\))?\s*:?\s*$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex PassedHeading();

    /// <summary>Times, counts of nutrients and ratings that stand among the ingredients of a pasted page.</summary>
    [GeneratedRegex(
        @"^((prep|preparation|cook|cooking|total|active|resting|chill(ing)?|marinating)( time)?\s*:?\s*(about\s+)?\d+|(calories|kcal|protein|carbs|carbohydrates?|net carbs|fat|fibre|fiber|sodium|sugar)\s*:\s*[\d.]+|difficulty\s*:|cuisine\s*:|course\s*:|author\s*:|print( recipe)?$|jump to|advertisement$|rate this|save( recipe)?$|pin( recipe)?$|\d(\.\d)? (stars?|from \d+)|check(ed)? all|deselect all|(us|metric) customary|1x\s*2x)",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex Remark();

    /// <summary>"Per serving: 420 kcal, 41 g protein", "Nutrition: 420 calories": what a portion has, wherever it stands.</summary>
    [GeneratedRegex(
        @"^(nutrition(al)?|macros|(per|each) (serving|portion)|energy|calories|kcal)\b.*\d.*|^(fridge|freezer|keeps|stores)\b.*\d+ (days?|weeks?|months?)\b.*|^\d+ ?(kcal|calories|cal)\b[\s,;|/(]",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex StatedRow();

    /// <summary>"Course: breakfast"; a "Meal: pasta with pesto" is none.</summary>
    [GeneratedRegex(
        @"^(meal|course|category|meal type)\s*:\s+(?<course>(?:(?:breakfast|brunch|lunch|dinner|supper|main( (course|dish))?|side( dish)?|snack|bite|dessert|starter|appeti[sz]er|tea)s?(\s*(,|/|&|and)\s*)?)+)$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex CourseRow();

    /// <summary>"Serve with 280 g rice, cooked".</summary>
    [GeneratedRegex(@"^(to )?serve(d)? with:?\s+(?<line>[\d½¼¾][^.]*)$", RegexOptions.IgnoreCase)]
    public static partial Regex ServedWith();

    /// <summary>What is put on top by who wants it, said in one row.</summary>
    [GeneratedRegex(
        @"^((optional )?toppings?|garnish(es)?|to (serve|garnish|finish|top)|serve with|(for )?serving)\s*(\(optional\))?\s*:\s+(?<food>\p{L}[\p{L} '’-]*?)(\s*(,|,? and |&)\s*(?<food>\p{L}[\p{L} '’-]*?))*\.?$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex OnTop();

    /// <summary>A sentence of whom it serves behind the last ingredient.</summary>
    [GeneratedRegex(@"\.\s+(serves|makes|feeds)\s+\w+( \w+){0,3}\.?\s*$", RegexOptions.IgnoreCase)]
    public static partial Regex ServesBehind();

    /// <summary>A row that is one remark: "(feeds the boys and me, lasts 3 days)".</summary>
    [GeneratedRegex(@"^\([^()\d][^()]*\)$")]
    public static partial Regex InBrackets();

    /// <summary>One that says whom it feeds, how long it keeps, where it is from; any other may be an ingredient.</summary>
    [GeneratedRegex(
        @"^\((feeds|serves|makes|keeps|lasts|freezes|adapted from|recipe (from|by)|source)\b[^()]*\)$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex BracketRemark();

    /// <summary>"28 g protein", "410 kcal each", "total: 465 kcal"; "30 g protein powder" is a food.</summary>
    [GeneratedRegex(
        @"^(total\s*:?\s*)?(about |approx\.? |~ ?)?\d[\d.,–-]*\s?(g|mg)?\s*(of )?(kcals?|kj|cal(orie)?s?|net carbs?|carbs?|carbohydrates?|protein|fat|fib(re|er)|sugars?|points?|pts|[pcf])\b(?!\s+(?!per\b|each\b|a\b|in\b|and\b)\p{L})",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex SaidOfAPortion();

    /// <summary>"*or breast": what a star behind a line means.</summary>
    [GeneratedRegex(@"^(\*{1,3}|[†‡¹²³])\s?\p{L}")]
    public static partial Regex Footnote();

    /// <summary>What a dish is made in or with, but not of.</summary>
    [GeneratedRegex(
        @"^(an? |\d+ |\d+ x |one |two |some )?([\w-]+ ){0,4}((muffin|loaf|cake|roasting|baking|springform|tart|pie|bundt|brownie) (tins?|pans?|dish(es)?|trays?|moulds?|sheets?|cases?)|(wooden|metal|bamboo) skewers|skewers|(baking|parchment|greaseproof|wax) paper|(tin|aluminium|aluminum) foil|foil|cling film|plastic wrap|cheesecloth|muslin|piping bag|(mason|glass|jam|kilner) jars?|meal prep containers?|slow cooker|pressure cooker|food processor|blender|thermometer|cooling rack|cocktail sticks|toothpicks|paper (cases|liners)|muffin liners|kitchen (string|twine|paper|towel))( \([^)]*\))?(, (greased|lined|soaked).*)?$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex Equipment();

    [GeneratedRegex(
        @"^((for|to make) (the |your )?\p{L}|to (serve|garnish|finish|assemble|decorate|top)$|(to|for) (serving|garnishing|topping|the table)$)",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex PartStart();

    /// <summary>"Each jar", "per portion": what follows is for one.</summary>
    [GeneratedRegex(
        @"^(in )?(each|per|every|one|a single) (jar|pot|portion|serving|person|bowl|box|lunch ?box|container|glass|cup|mug|wrap|plate|eater)$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex OfOne();

    /// <summary>"Per portion: 40 g oats".</summary>
    [GeneratedRegex(@"^(in )?(each|per|every|one) \p{L}+:\s+(?<line>.*)$", RegexOptions.IgnoreCase)]
    public static partial Regex OfOneInline();

    /// <summary>"Cottage cheese 150 g per pot".</summary>
    [GeneratedRegex(@"\bper (jar|pot|portion|serving|person|bowl|box|container|head)$", RegexOptions.IgnoreCase)]
    public static partial Regex OfOneBehind();

    [GeneratedRegex(@"\d\s?(kcals?|calories|cals?)\b", RegexOptions.IgnoreCase)]
    public static partial Regex Calories();

    [GeneratedRegex(@"^(for|to make) (the |your )?(?=\p{L})", RegexOptions.IgnoreCase)]
    public static partial Regex PartName();

    /// <summary>"Sauce –", "Dressing (makes 200 ml)".</summary>
    [GeneratedRegex(@"^\p{L}[\p{L} '’-]{1,40}?( ?[–—-]+| \((makes|serves|yields|enough for) [^)]*\):?)$", RegexOptions.IgnoreCase)]
    public static partial Regex HangingPart();

    /// <summary>What stands behind the name of a part.</summary>
    [GeneratedRegex(@"( ?[–—:-]+| \([^)]*\):?)$")]
    public static partial Regex BehindPart();

    [GeneratedRegex(
        @"^(for (the |your )?)?(?<name>[\p{L}][\p{L} '’-]{1,30})( \([^)]*\))?:\s+(?<line>\d.*|[½⅓⅔¼¾].*)$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex InlinePart();

    /// <summary>"add mince", "simmer 20 mins": said in a hurry, by verbs that begin no food's name.</summary>
    [GeneratedRegex(
        @"^((add|fry|simmer|boil|stir|bake|drain|serve|preheat|pour|whisk|cook|put|leave|transfer|reduce|bring|blend|slow cook|air fry) |mix (well|everything|all|it|in|the)\b)",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex HastyStep();

    /// <summary>"1. " before words: before a number it is a list's, and its line an ingredient.</summary>
    [GeneratedRegex(@"^\d{1,2}\s*[.)]\s+(?=\p{L})")]
    private static partial Regex StepNumber();

    [GeneratedRegex(
        @"^(step\s*\d+\b|\d{3} ?(°|deg|[FC]\b)|blend,|oven\b.*\d|(low|high) \d+ ?(h|hrs?|hours?)\b|\d{1,2}\s*[.)]\s+(?!\d)\p{L}.{18,})",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex NumberedStep();

    [GeneratedRegex(
        @"^(preheat|heat|((pressure|slow)[ -]|air[ -])?(cook|fry)|microwave|poach|toast|sear|warm|reduce|knead|rest|tip|scatter|crack|mash|strain|grate|crush|trim|pat|rub|coat|soften|turn|flip|finish|plate|cool|refrigerate|freeze|defrost|assemble|then|mix|combine|place|put|add|stir|whisk|cook|bake|roast|fry|saut[eé]|boil|simmer|bring|pour|cut|chop|slice|season|toss|blend|drain|rinse|spread|roll|shape|form|divide|chill|marinate|brown|grill|steam|melt|beat|fold|transfer|remove|serve|cover|wash|peel|sprinkle|layer|set|let|leave|in a|using|meanwhile|once|when|make|start|prepare|arrange|line|grease|soak|dice|shred|julienne|cube|halve|quarter|deseed|flake|wilt|braise|sweat|char|fluff|stuff|thread|brush|glaze|whip|squeeze|scoop|ladle|dress|mince the|reheat|portion|store)\b.*[.!]$",
        RegexOptions.IgnoreCase
    )]
    public static partial Regex SentenceStart();
}

using Merienda.Core.Outcomes;

namespace Merienda.Core.Recipes;

/// <summary>Tells when a recipe is written in another language than English, which is the one that is read.</summary>
public static class OtherLanguage
{
    /// <summary>Share of lines with foreign words from which the text is taken for another language.</summary>
    private const double Share = 0.4;

    private static readonly Dictionary<string, string> Words = new[]
    {
        (
            "German",
            "und mit el tl esslöffel teelöffel zwiebel zwiebeln zucker mehl eier milch wasser salz pfeffer öl butterschmalz sahne knoblauchzehen kartoffeln möhren gehackt geschnitten prise stück dose päckchen hähnchenbrust rindfleisch petersilie frische oder für personen portionen zubereitung zutaten brühe gemüsebrühe hühnerbrühe linsen bohnen kochen etwas"
        ),
        (
            "French",
            "et de la du des le les cuillère cuillères soupe café gousse gousses d'ail oignon oignons farine sucre oeufs œufs lait beurre eau sel poivre huile pommes terre tranches hachées pincée crème fraîche poulet boeuf persil avec ou pour personnes préparation ingrédients bouillon lentilles"
        ),
        (
            "Spanish",
            "y con del los las el cucharada cucharadas cucharadita cucharaditas taza tazas diente dientes ajo cebolla cebollas harina azúcar huevos leche mantequilla agua sal pimienta aceite patatas picada picado pizca pollo carne perejil para personas preparación ingredientes caldo lentejas"
        ),
        (
            "Italian",
            "e con di del della cucchiaio cucchiai cucchiaino spicchio spicchi aglio cipolla cipolle farina zucchero uova latte burro acqua sale pepe olio patate tritato tritata pizzico pollo manzo prezzemolo q.b. persone preparazione ingredienti brodo lenticchie"
        ),
        (
            "Dutch",
            "en met el tl eetlepel eetlepels theelepel teentjes knoflook ui uien bloem suiker eieren melk boter water zout peper olie aardappelen gesneden snufje kip gehakt peterselie of voor personen bereiding ingrediënten bouillon linzen"
        ),
    }
        .SelectMany(language => language.Item2.Split(' ').Select(word => (Word: word, Language: language.Item1)))
        .GroupBy(pair => pair.Word)
        .ToDictionary(pair => pair.Key, pair => pair.First().Language, StringComparer.OrdinalIgnoreCase);

    private static readonly HashSet<string> English = new(StringComparer.OrdinalIgnoreCase)
    {
        "and",
        "of",
        "with",
        "the",
        "cup",
        "cups",
        "tbsp",
        "tsp",
        "chopped",
        "sliced",
        "diced",
        "fresh",
        "large",
        "small",
        "onion",
        "garlic",
        "cloves",
        "oil",
        "salt",
        "pepper",
        "sugar",
        "flour",
        "eggs",
        "egg",
        "milk",
        "butter",
        "chicken",
        "beef",
        "to",
        "taste",
        "or",
        "ground",
        "water",
    };

    /// <summary>Null for English, for too little to tell by, and for a few foreign names in it.</summary>
    public static Refusal? Refuses(IReadOnlyList<string> lines)
    {
        if (lines.Count < 3)
        {
            return null;
        }

        var foreign = new Dictionary<string, int>();
        var english = 0;
        foreach (var words in lines.Select(line => line.Split([' ', ',', '(', ')', '.', '/'], StringSplitOptions.RemoveEmptyEntries)))
        {
            english += words.Any(English.Contains) ? 1 : 0;
            foreach (var language in words.Select(word => Words.GetValueOrDefault(word)).OfType<string>().Distinct())
            {
                foreign[language] = foreign.GetValueOrDefault(language) + 1;
            }
        }

        var most = foreign.OrderByDescending(pair => pair.Value).FirstOrDefault();
        return most.Value > english && most.Value >= Share * lines.Count
            ? new Refusal(
                "not-english",
                "text",
                lines[0][..Math.Min(40, lines[0].Length)],
                $"it looks like {most.Key}; Merienda reads English",
                "Translate the ingredient lines, or type them in English"
            )
            : null;
    }
}

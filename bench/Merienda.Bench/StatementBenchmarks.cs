using BenchmarkDotNet.Attributes;
using Merienda.Core.Foods;
using Merienda.Core.Foods.Statements;
using Merienda.Formats;

namespace Merienda.Bench;

/// <summary>Two thousand ingredient statements read with the words that they hold; target: under 1 s.</summary>
[MemoryDiagnoser]
public class StatementBenchmarks
{
    private static readonly string[] Statements =
    [
        "Milk chocolate (sugar, cocoa butter, whole MILK powder, cocoa mass, emulsifier: soya lecithin, natural vanilla flavouring)",
        "Chicken breast (86%), water, potato starch, salt, dextrose, stabiliser: E450",
        "Prawns (crustaceans) 55 %, mayonnaise (rapeseed oil, egg yolk, spirit vinegar, mustard). May contain celery and sesame",
        "Filling (52 %) (cheese (milk) 30%, onion, garlic powder), dough (wheat flour, water, yeast), contains less than 2 % of: salt, xanthan gum",
    ];

    private StatementLexicon _lexicon = null!;
    private FoodMatcher _foods = null!;

    [GlobalSetup]
    public void SetUp()
    {
        var data = DataFiles.Load(DataFiles.Find());
        (_lexicon, _foods) = (StatementWords.Load(Path.Combine(DataFiles.Find(), "statement-words.csv"), data.Classes), data.Foods);
    }

    [Benchmark]
    public int TwoThousandStatements() =>
        Enumerable.Range(0, 2_000).Sum(at => _lexicon.Read(Statements[at % Statements.Length]).Holds.Count);

    [Benchmark]
    public int OneSearch() => _foods.Search("chick", 60).Count();
}

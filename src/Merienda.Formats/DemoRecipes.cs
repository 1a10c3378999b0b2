using System.Text.Json;
using System.Text.Json.Serialization;
using Merienda.Core.Keeping;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Formats;

/// <summary>A line that only a variant has.</summary>
/// <param name="Instead">The line it stands for; null for one more.</param>
public sealed record DemoVariantLine(Guid? Instead, TypedLine Line);

/// <summary>A variant of a demo recipe; what is otherwise in it names the recipe's lines.</summary>
public sealed record DemoVariant(
    string Name,
    IReadOnlyList<LineChange> Lines,
    IReadOnlyList<PartChange> Parts,
    IReadOnlyList<DemoVariantLine> Added
);

/// <summary>A recipe of the demo, as a person would have typed it.</summary>
/// <param name="Key">What the households' file calls it.</param>
public sealed record DemoRecipe(
    string Key,
    string Name,
    decimal Portions,
    string? Meal,
    string Keeping,
    string Reheating,
    string AtEating,
    MeasureSystem System,
    IReadOnlyList<TypedLine> Lines,
    IReadOnlyList<PrepTask> Tasks,
    IReadOnlyList<RecipePart> Parts,
    IReadOnlyList<DemoVariant> Variants,
    IReadOnlyList<Claim> Claims,
    string Source,
    string Note
);

/// <summary>
/// Reads data/demo/recipes.json. A recipe stands there with its lines and tasks, or as the text that a cook would paste; a variant names
/// lines by words that stand in one of them only.
/// </summary>
public static class DemoRecipes
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
    };

    private sealed record Task(
        string Id,
        string Text,
        int HandsOn,
        int Unattended = 0,
        Appliance Appliance = Appliance.None,
        int? TemperatureC = null,
        IReadOnlyList<string>? After = null,
        OtherPlace? Instead = null
    );

    private sealed record Part(string Name, Apart Apart = Apart.No, string? Keeping = null, bool TakesOff = false, bool GoesOn = false);

    private sealed record Varied(
        string Name,
        IReadOnlyList<string>? Without = null,
        IReadOnlyDictionary<string, decimal>? Times = null,
        IReadOnlyDictionary<string, string>? Instead = null,
        IReadOnlyList<string>? Add = null,
        IReadOnlyDictionary<string, decimal>? Parts = null
    );

    private sealed record Written(
        string Key,
        string? Meal,
        string Keeping,
        string Reheating,
        string AtEating,
        MeasureSystem System,
        string? Name = null,
        decimal? Portions = null,
        IReadOnlyList<string>? Lines = null,
        IReadOnlyList<Task>? Tasks = null,
        string? Text = null,
        IReadOnlyList<Part>? Parts = null,
        IReadOnlyList<Varied>? Variants = null,
        string Claims = "",
        string Source = "",
        string Note = ""
    );

    /// <param name="folder">The data folder.</param>
    /// <exception cref="InvalidDataException">The file is not as described; its message names the recipe.</exception>
    public static IReadOnlyList<DemoRecipe> Load(string folder) =>
        [
            .. JsonSerializer
                .Deserialize<IReadOnlyList<Written>>(File.ReadAllText(Path.Combine(folder, "demo", "recipes.json")), Options)!
                .Select(Of),
        ];

    private static DemoRecipe Of(Written written)
    {
        var text = written.Text is null ? null : RecipeTextReader.Read(written.Text).Value;
        IReadOnlyList<TypedLine> lines =
        [
            .. (
                text?.Lines.Select(line => new TypedLine(RecipeTextReader.WithoutBullet(line.Text), RecipeTextReader.Headed(line.Part)))
                ?? written.Lines!.Select(line => new TypedLine(line))
            ).Select(line => line with { Id = Guid.CreateVersion7() }),
        ];
        Guid LineWith(string words) =>
            lines.Where(line => line.Text.Contains(words, StringComparison.OrdinalIgnoreCase)).ToList() is [var only]
                ? only.Id
                : throw new InvalidDataException($"{written.Key}: not one line says \"{words}\".");
        return new(
            written.Key,
            text?.Name ?? written.Name!,
            text?.Portions ?? written.Portions!.Value,
            written.Meal,
            written.Keeping,
            written.Reheating,
            written.AtEating,
            written.System,
            lines,
            text is not null
                ? TaskReader.Read(text.Steps)
                :
                [
                    .. written.Tasks!.Select(task => new PrepTask(
                        task.Id,
                        task.Text,
                        task.HandsOn,
                        task.Unattended,
                        task.Appliance,
                        task.TemperatureC,
                        task.After ?? []
                    )
                    {
                        Instead = task.Instead,
                    }),
                ],
            [
                .. (written.Parts ?? []).Select(part => new RecipePart(part.Name)
                {
                    Apart = part.Apart,
                    Keeping = part.Keeping is { } key ? KeepingClass.WithKey(key) : null,
                    TakesOff = part.TakesOff,
                    GoesOn = part.GoesOn,
                }),
            ],
            [
                .. (written.Variants ?? []).Select(varied => new DemoVariant(
                    varied.Name,
                    [
                        .. (varied.Without ?? []).Select(words => new LineChange(LineWith(words), 0)),
                        .. (varied.Times ?? new Dictionary<string, decimal>()).Select(one => new LineChange(LineWith(one.Key), one.Value)),
                    ],
                    [.. (varied.Parts ?? new Dictionary<string, decimal>()).Select(one => new PartChange(one.Key, one.Value))],
                    [
                        .. (varied.Instead ?? new Dictionary<string, string>()).Select(one => new DemoVariantLine(
                            LineWith(one.Key),
                            Added(one.Value, lines.First(line => line.Id == LineWith(one.Key)).Part)
                        )),
                        .. (varied.Add ?? []).Select(line => new DemoVariantLine(null, Added(line, ""))),
                    ]
                )),
            ],
            [.. (text?.Claims ?? []).Concat(ClaimReader.Read(written.Claims)).DistinctBy(claim => claim.What)],
            written.Source,
            written.Note
        );
    }

    private static TypedLine Added(string text, string part) => new(text, part) { Id = Guid.CreateVersion7() };
}

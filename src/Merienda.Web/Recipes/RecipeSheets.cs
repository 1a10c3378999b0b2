using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Recipes;

/// <summary>Translates between drafts, recipe versions and the sheet that is drawn.</summary>
public static class RecipeSheets
{
    public const int MostTasks = 60;

    /// <summary>Foods that are offered for words that name none.</summary>
    private const int NearestFoods = 5;

    /// <summary>The kinds that a word leaves open, or the foods nearest to words that name none for certain.</summary>
    private static IEnumerable<Food> Offered(RecipeLine line, bool isChosen, FoodMatcher foods) =>
        isChosen || line.HasChoice
            ? []
            : line.Meanings[0].Kinds?.Foods.Take(NearestFoods)
                // What the words were read as stands first: one press confirms it.
                ?? (
                    line.Meanings[0].IsSure
                        ? []
                        : foods.Nearest(line.Read.Food, NearestFoods).Prepend(line.Food).OfType<Food>().Distinct().Take(NearestFoods)
                );

    private static string About(Food food)
    {
        Measure[] apart = [Measure.Energy, Measure.Protein, Measure.Fat, Measure.NetCarbohydrate];
        return $"{string.Join(", ", apart.Select(measure => MeasureInfo.Of(measure)).Select(info => $"{info.Show(food.Nutrition[info.Measure].Best)} {info.Unit} {(info.Measure == Measure.Energy ? "" : info.Name.ToLowerInvariant())}".TrimEnd()))}";
    }

    /// <summary>
    /// Reads a draft's lines and refuses what cannot be a recipe. Lines that nobody can read are kept: they count as unknown.
    /// </summary>
    public static Result<StoredRecipe> ToRecipe(RecipeDraft draft, Guid recipeId, FoodMatcher foods)
    {
        if (Wrong(draft, foods) is { } refusal)
        {
            return refusal;
        }

        var written = draft.Lines.Where(line => line.Text.Trim().Length > 0).ToList();
        var lines = written
            .Select(line =>
                RecipeLine.From(line.Text.Trim(), foods, draft.System, line.Part, line.Food is { } key ? foods.WithKey(key) : null)
            )
            .ToList();
        var keeping =
            KeepingClass.WithKey(draft.Keeping) ?? KeepingOf.Of(draft.Name, lines, [.. draft.Tasks.Select(task => task.Text)])?.Class;
        if (keeping is null)
        {
            return new Refusal(
                "keeping-missing",
                "keeping",
                "",
                "neither lines nor steps say how it keeps",
                "Choose what kind of dish it is; that says how many days it keeps"
            );
        }

        return new StoredRecipe(
            recipeId,
            Guid.CreateVersion7(),
            0,
            draft.System,
            new RecipeVersion
            {
                Name = draft.Name.Trim(),
                Portions = draft.Portions!.Value,
                Meal = draft.Meal,
                Lines = lines,
                Tasks =
                [
                    .. draft.Tasks.Select(task => new PrepTask(
                        task.Id,
                        task.Text.Trim(),
                        task.HandsOn,
                        task.Unattended,
                        task.Appliance,
                        task.TemperatureC,
                        task.After
                    )),
                ],
                Keeping = keeping,
                Reheating = draft.Reheating.Trim(),
                AtEating = draft.AtEating.Trim(),
            },
            [.. written.Select(line => line.Food is not null)]
        );
    }

    /// <param name="foods">What the household cooks with now: a line may hold an older version of a packet.</param>
    public static RecipeSheet ToSheet(
        StoredRecipe recipe,
        Guid? id,
        IReadOnlyList<Eater> eaters,
        FoodMatcher foods,
        KnowledgeBase knowledge
    )
    {
        var version = recipe.Version;
        var helping = new Helping(version.Name, version.Profile, 1);
        var portion = Intake.Of(helping);
        // Where the ways of rounding are shown side by side, it is in the scheme of the first who counts points.
        var scheme = eaters.FirstOrDefault(eater => eater.Rules.CountsPoints)?.Rules.Context.Scheme ?? knowledge.HouseScheme;
        var points = new PointsSideBySide(
            Shown.Round(scheme.PointsOf(helping, PointsRounding.Portion).Best),
            Shown.Round(scheme.PointsOf(helping, PointsRounding.Ingredient).Best),
            Shown.Round(scheme.PointsOf(helping, PointsRounding.Nothing).Best)
        );
        return new(
            id,
            recipe.Number,
            version.Name,
            version.Portions,
            version.Meal,
            ToKeeping(version.Keeping),
            version.Reheating,
            version.AtEating,
            recipe.System,
            [.. version.Lines.Select((line, at) => ToLine(line, recipe.Chosen[at], version.Profile, foods, knowledge.Classes))],
            [.. version.Tasks.Select(ToTask)],
            [
                .. MeasureInfo
                    .All.Where(info => info.Measure != Measure.Points)
                    .Select(info => Shown.Of(info, portion.Value(info.Measure, scheme))),
                .. Shown.Points(helping, eaters, knowledge.HouseScheme),
            ],
            points,
            knowledge.Classes.AllergensOf(version.Lines.SelectMany(line => line.Meanings).SelectMany(meaning => meaning.Foods)),
            [.. eaters.Select(eater => ToVerdict(eater, version))],
            KeepingOf.Of(version.Name, version.Lines, [.. version.Tasks.Select(task => task.Text)]) is { } keeping
                ? new(
                    keeping.Class.Key,
                    $"{keeping.Class.FridgeDays} {(keeping.Class.FridgeDays == 1 ? "day" : "days")}: {keeping.Because}"
                )
                : null
        );
    }

    public static SheetKeeping ToKeeping(KeepingClass keeping) =>
        new(keeping.Key, keeping.Name, keeping.FridgeDays, keeping.FreezerMonths, keeping.Note, keeping.Source);

    public static DraftTask ToTask(PrepTask task) =>
        new(task.Id, task.Text, task.HandsOn, task.Unattended, task.Appliance, task.TemperatureC, task.After);

    public static RecipeRow ToRow(StoredRecipe recipe, IReadOnlyList<Eater> eaters, KnowledgeBase knowledge)
    {
        var helping = new Helping(recipe.Version.Name, recipe.Version.Profile, 1);
        var verdicts = eaters
            .Select(eater => (Eater: eater, Findings: eater.Judge(recipe.Version.Name, recipe.Version.Profile, recipe.Version.Meal)))
            .Select(found => new RowVerdict(
                found.Eater.Id,
                found.Eater.Name,
                found.Findings.Select(finding => finding.Verdict).RollUp(),
                found.Findings.MaxBy(finding => finding.Verdict)?.Because ?? "No protocol is chosen.",
                found.Findings.Count > 0
            ));
        return new(
            recipe.RecipeId,
            recipe.Version.Name,
            recipe.Version.Portions,
            recipe.Version.Meal,
            Shown.Short(helping, eaters, knowledge.HouseScheme),
            [.. verdicts]
        );
    }

    private static ShownVerdict ToVerdict(Eater eater, RecipeVersion version)
    {
        var findings = eater.Judge(version.Name, version.Profile, version.Meal);
        return new(eater.Id, eater.Name, findings.Select(finding => finding.Verdict).RollUp(), [.. findings.Select(Shown.Of)]);
    }

    /// <summary>Foods that a person chose for words which the matcher would not have understood so: what the household remembers.</summary>
    public static IReadOnlyList<(string Words, string FoodKey)> LearntFrom(StoredRecipe recipe, FoodMatcher foods) =>
        [
            .. recipe
                .Version.Lines.Where((line, at) => recipe.Chosen[at] && line.Food is not null && line.Read.Food.Length > 0)
                .Where(line =>
                    foods.Match(line.Read.Food, line.Read.State) is var match && !(match.IsSure && match.Food?.Key == line.Food!.Key)
                )
                .Select(line => (foods.KeyOf(line.Read.Food), line.Food!.Key)),
        ];

    private static SheetLine ToLine(RecipeLine line, bool isChosen, PortionProfile profile, FoodMatcher foods, FoodClasses classes)
    {
        var newer = line.Food?.Packet is { } packet && foods.WithKey(line.Food.Key)?.Packet?.Version > packet.Version;
        var at = profile.Lines.ToList().IndexOf(line);
        Measure[] contributions = [Measure.Energy, Measure.Protein, Measure.Fat, Measure.NetCarbohydrate];
        return new(
            line.Part,
            line.Read.Text,
            line.Food?.Key,
            line.Food?.Name,
            isChosen,
            line.Match,
            line.Read.AmountInWords,
            line.Grams.IsOpen ? null : Shown.Of(line.Grams),
            UnusualAmount.Of(line, profile.Portions) ?? line.Doubt,
            at < 0 ? [] : [.. contributions.Select(measure => Shown.Of(MeasureInfo.Of(measure), profile[at, measure].Estimate))],
            line.Food?.Packet?.Id,
            newer,
            line.HasChoice
                ? [.. line.Meanings.Select(meaning => new LineChoice(meaning.Words, meaning.Food?.Name, line.With(meaning)))]
                : [],
            [.. Offered(line, isChosen, foods).Select(food => new NearFood(food.Key, food.Name, About(food)))],
            line.Food is { Packet: null } differs
                ? [.. classes.AllergensOf(differs.MayHold.Kinds).Except(classes.AllergensOf(differs.Tags))]
                : []
        );
    }

    private static Refusal? Wrong(RecipeDraft draft, FoodMatcher foods) =>
        draft switch
        {
            _ when draft.Name.Trim().Length is 0 or > 120 => new(
                "name-length",
                "name",
                draft.Name,
                "a recipe's name has 1 to 120 characters",
                "Type a short name"
            ),
            _ when draft.Portions is null => new(
                "portions-missing",
                "portions",
                "",
                "nobody said how many portions it makes",
                "Type how many portions the lines make"
            ),
            _ when draft.Portions is < 0.25m or > 1000 => new(
                "portions-out-of-range",
                "portions",
                $"{draft.Portions}",
                "a recipe makes between 0.25 and 1000 portions",
                "Type how many portions the lines make"
            ),
            _ when draft.Keeping.Length > 0 && KeepingClass.WithKey(draft.Keeping) is null => new(
                "unknown-keeping",
                "keeping",
                draft.Keeping,
                "there is no such keeping class",
                "Choose one from the list"
            ),
            _ when draft.Lines.Count(line => line.Text.Trim().Length > 0) is 0 or > RecipeTextReader.MostLines => new(
                "no-ingredients",
                "lines",
                $"{draft.Lines.Count} lines",
                $"a recipe has 1 to {RecipeTextReader.MostLines} ingredient lines",
                "Type one ingredient a line"
            ),
            _ when draft.Lines.FirstOrDefault(line => line.Text.Trim().Length > IngredientLineReader.LongestLine) is { } line => new(
                "line-too-long",
                "lines",
                line.Text[..40],
                $"a line has at most {IngredientLineReader.LongestLine} characters",
                "Split it, one ingredient a line"
            ),
            _ when draft.Lines.FirstOrDefault(line => line.Food is { } key && foods.WithKey(key) is null) is { } odd => new(
                "unknown-food",
                "lines",
                odd.Food!,
                "there is no such food",
                "Choose a food from the list"
            ),
            _ when draft.Tasks.Count > MostTasks => new(
                "too-many-tasks",
                "tasks",
                $"{draft.Tasks.Count}",
                $"a recipe has at most {MostTasks} tasks",
                "Merge some steps"
            ),
            _ when draft.Tasks.FirstOrDefault(task =>
                    task.HandsOn is < 0 or > TaskReader.MostMinutes || task.Unattended is < 0 or > TaskReader.MostMinutes
                )
                    is { } tooLong => new(
                "minutes-out-of-range",
                "tasks",
                tooLong.Text,
                $"minutes lie between 0 and {TaskReader.MostMinutes}",
                "Type the minutes again"
            ),
            _ when draft.Tasks.FirstOrDefault(task => task.TemperatureC is < 0 or > 350) is { } hot => new(
                "temperature-out-of-range",
                "tasks",
                $"{hot.TemperatureC}",
                "an oven has 0 to 350 °C",
                "Type the temperature again"
            ),
            _ when draft.Tasks.Select(task => task.Id).Distinct().Count() != draft.Tasks.Count => new(
                "task-id-twice",
                "tasks",
                "",
                "two tasks have one id",
                "Give each task its own"
            ),
            _ => null,
        };
}

using Merienda.Core.Recipes;
using Merienda.Storage;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Recipes;

/// <param name="Changes">What it has otherwise than the version before; empty for the first.</param>
public sealed record SheetVersion(int Number, DateTimeOffset SavedAt, string By, IReadOnlyList<VersionChange> Changes);

/// <summary>What a part was weighed to make, for as many portions as the recipe makes now.</summary>
/// <param name="Says">What the recipe says it makes, g; null where it says nothing.</param>
public sealed record SheetYield(DateOnly CookedOn, string Letter, string Part, decimal Grams, decimal? Says);

/// <summary>What a step took, where the recipe says otherwise.</summary>
/// <param name="Minutes">From its start to its end.</param>
/// <param name="Says">Minutes by the recipe as it is now.</param>
/// <param name="HandsOn">Minutes, as the recipe would say it.</param>
/// <param name="Unattended">Minutes, as the recipe would say it.</param>
public sealed record SheetTook(
    DateOnly CookedOn,
    string Letter,
    string Task,
    string Text,
    int Minutes,
    int Says,
    int HandsOn,
    int Unattended
);

/// <summary>What was said of the dish when it was cooked.</summary>
public sealed record SheetRemark(DateOnly CookedOn, string Letter, string Note);

/// <param name="Versions">The newest first.</param>
/// <param name="SinceFirst">What the newest has otherwise than the first.</param>
/// <param name="Took">Of each step the last that was said.</param>
/// <param name="Yields">Of each part the last that was weighed, where the recipe says otherwise.</param>
public sealed record RecipeHistoryPage(
    IReadOnlyList<SheetVersion> Versions,
    IReadOnlyList<VersionChange> SinceFirst,
    IReadOnlyList<SheetYield> Yields,
    IReadOnlyList<SheetTook> Took,
    IReadOnlyList<SheetRemark> Remarks
);

/// <summary>What became of a recipe: its versions, their differences, and what was weighed of it.</summary>
public static class HistoryEndpoints
{
    /// <summary>Off by no more than this share a weight is the one that the recipe says [C].</summary>
    private const decimal SameShare = 0.03m;

    public static void MapHistory(this RouteGroupBuilder recipes)
    {
        recipes.MapGet("/{id:guid}/history", History).WithName("RecipeHistory");
        recipes.MapGet("/{id:guid}/versions/{number:int}", Version).WithName("RecipeVersion");
    }

    private static async Task<Results<Ok<RecipeHistoryPage>, ProblemHttpResult>> History(
        Guid id,
        CurrentTenant tenant,
        Database database,
        RecipeHistory history
    )
    {
        var past = await database.Read(tenant, history.Of(id));
        if (past.Versions.Count == 0)
        {
            return RecipeStore.Gone(id).ToProblem();
        }

        var now = past.Versions[0].Recipe.Version;
        return TypedResults.Ok(
            new RecipeHistoryPage(
                [
                    .. past.Versions.Select(
                        (saved, at) =>
                            new SheetVersion(
                                saved.Recipe.Number,
                                saved.SavedAt,
                                saved.By,
                                at + 1 < past.Versions.Count
                                    ? VersionDiff.Of(past.Versions[at + 1].Recipe.Version, saved.Recipe.Version)
                                    : []
                            )
                    ),
                ],
                VersionDiff.Of(past.Versions[^1].Recipe.Version, now),
                [
                    .. past
                        .Yields.Where(weighed => now.PartNames.Contains(weighed.Part))
                        .DistinctBy(weighed => weighed.Part)
                        .Select(weighed => new SheetYield(
                            weighed.CookedOn,
                            weighed.Letter,
                            weighed.Part,
                            Math.Round(weighed.Grams / weighed.Made * now.Portions),
                            now.Parts.FirstOrDefault(part => part.Name == weighed.Part)?.Made is { Unit: YieldUnit.Grams } made
                                ? made.Amount
                                : null
                        ))
                        .Where(weighed => weighed.Says is not { } says || Math.Abs(says - weighed.Grams) > SameShare * says),
                ],
                [.. Took(past, now)],
                [.. past.Said.Where(said => said.Note.Length > 0).Select(said => new SheetRemark(said.CookedOn, said.Letter, said.Note))]
            )
        );
    }

    /// <summary>A step that was worded anew since is another one.</summary>
    private static IEnumerable<SheetTook> Took(RecipePast past, RecipeVersion now)
    {
        var cooked = past.Versions.ToDictionary(saved => saved.Recipe.VersionId, saved => saved.Recipe.Version);
        foreach (var said in past.Said.Where(said => said.Minutes is not null).DistinctBy(said => said.Task))
        {
            var step = now.Tasks.FirstOrDefault(task => task.Id == said.Task);
            var then = cooked.GetValueOrDefault(said.Version)?.Tasks.FirstOrDefault(task => task.Id == said.Task);
            if (step is not null && step.Text == then?.Text && step.HandsOn + step.Unattended != said.Minutes)
            {
                var other = step.Taking(said.Minutes!.Value);
                yield return new(
                    said.CookedOn,
                    said.Letter,
                    step.Id,
                    step.Text,
                    said.Minutes.Value,
                    step.HandsOn + step.Unattended,
                    other.HandsOn,
                    other.Unattended
                );
            }
        }
    }

    /// <summary>An earlier version as a draft of the next one.</summary>
    private static async Task<Results<Ok<RecipeDraft>, ProblemHttpResult>> Version(
        Guid id,
        int number,
        CurrentTenant tenant,
        Database database,
        RecipeHistory history
    )
    {
        var past = await database.Read(tenant, history.Of(id));
        return past.Versions.FirstOrDefault(saved => saved.Recipe.Number == number) is { } found
            ? TypedResults.Ok(RecipeSheets.ToDraft(found.Recipe) with { BasedOn = past.Versions[0].Recipe.Number })
            : RecipeStore.Gone(id).ToProblem();
    }
}

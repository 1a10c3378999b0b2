using Merienda.Core.Sessions;

namespace Merienda.Storage;

/// <summary>A version of a recipe, when it was saved and by whom.</summary>
public sealed record SavedVersion(StoredRecipe Recipe, DateTimeOffset SavedAt, string By);

/// <summary>What a part of a batch, cooked as written, was weighed to make.</summary>
/// <param name="Grams">Net, of all that was cooked.</param>
/// <param name="Made">Portions of the batch.</param>
/// <param name="Of">Portions that the version makes that was cooked.</param>
public sealed record WeighedYield(DateOnly CookedOn, string Letter, string Part, int Grams, decimal Made, decimal Of);

/// <summary>What was said of a step, or of the whole dish, when it was cooked.</summary>
/// <param name="Version">That was cooked.</param>
/// <param name="Task">Id of the step in that version, or of one of its rounds; empty for the whole dish.</param>
public sealed record SaidOfCook(DateOnly CookedOn, string Letter, Guid Version, string Task, int? Minutes, string Note);

/// <summary>Everything that was ever saved of a recipe, newest first, and what came of it in the pot.</summary>
public sealed record RecipePast(IReadOnlyList<SavedVersion> Versions, IReadOnlyList<WeighedYield> Yields, IReadOnlyList<SaidOfCook> Said);

/// <summary>Reads a recipe's past.</summary>
public sealed class RecipeHistory(RecipeVersions versions)
{
    /// <summary>So many versions are looked back at.</summary>
    private const int MostVersions = 60;

    private sealed record Head(Guid Id, DateTimeOffset CreatedAt, string By);

    public Reading<RecipePast> Of(Guid recipeId) =>
        Reading
            .Of(
                $"""
                select version.id, version.created_at, coalesce(account.display_name, 'somebody') as by from recipe_version version
                left join account on account.id = version.created_by
                where version.recipe_id = @pastOf order by version.number desc limit {MostVersions};
                select session.cooked_on, batch.letter, weighed.part, weighed.gross_g - weighed.tare_g as grams, lots.portions as made,
                    version.portions as of
                from part_yield weighed
                join batch on batch.household_id = weighed.household_id and batch.id = weighed.batch_id
                join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
                join recipe_version version on version.household_id = batch.household_id and version.id = batch.recipe_version_id
                join (
                    select batch_id, sum(portions) as portions, count(variant) as varied from lot group by batch_id
                ) lots on lots.batch_id = batch.id and lots.varied = 0 and lots.portions > 0
                where version.recipe_id = @pastOf order by session.cooked_on desc, batch.letter, weighed.part limit 40;
                select session.cooked_on, batch.letter, version.id as version, remark.task_id as task, remark.took_minutes as minutes,
                    remark.note
                from cook_remark remark
                join batch on batch.household_id = remark.household_id and batch.id = remark.batch_id
                join prep_session session on session.household_id = batch.household_id and session.id = batch.session_id
                join recipe_version version on version.household_id = batch.household_id and version.id =
                    case when position(':' in remark.task_id) = 33 then left(remark.task_id, 32)::uuid else batch.recipe_version_id end
                where version.recipe_id = @pastOf order by session.cooked_on desc, batch.letter, remark.task_id limit 100;
                {LarderState.Select}
                """,
                new { pastOf = recipeId },
                async rows =>
                    (
                        Heads: (await rows.ReadAsync<Head>()).ToList(),
                        Yields: (await rows.ReadAsync<WeighedYield>()).ToList(),
                        Said: (await rows.ReadAsync<SaidOfCook>()).Select(said => said with { Task = CookedDish.IdOf(said.Task) }).ToList(),
                        Larder: await LarderState.Take(rows)
                    )
            )
            .Then(
                async (scope, found) =>
                {
                    var read = await versions.Of(scope, found.Heads.Select(head => head.Id), found.Larder.Then);
                    return new RecipePast(
                        [.. found.Heads.Select(head => new SavedVersion(read[head.Id], head.CreatedAt, head.By))],
                        found.Yields,
                        found.Said
                    );
                }
            );
}

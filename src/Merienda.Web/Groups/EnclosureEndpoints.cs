using Merienda.Core.Groups;
using Merienda.Core.Outcomes;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Merienda.Web.Groups;

/// <param name="Name">As it is listed.</param>
public sealed record EnclosedChoice(EnclosedKind Kind, string Name);

/// <param name="Things">Those that are taken over.</param>
public sealed record TakeOverRequest(IReadOnlyList<EnclosedChoice> Things);

/// <param name="Taken">How many.</param>
public sealed record TakenOver(int Taken);

/// <summary>What goes with a group's menus: told at the desk, read and taken over by members.</summary>
public static class EnclosureEndpoints
{
    /// <summary>What the endpoints work with.</summary>
    public sealed record Kitchen(
        Database Database,
        KnowledgeBase Knowledge,
        PublishedMenus Published,
        MenuReadings Readings,
        EnclosureStore Store
    );

    public static void MapEnclosures(this RouteGroupBuilder groups)
    {
        groups.MapGet("/menus/{id:guid}/enclosed", AtDesk).WithName("GetMenuEnclosures");
        groups.MapGet("/{group:guid}/enclosed", Read).WithName("GetGroupEnclosures");
        groups.MapPost("/{group:guid}/enclosed", TakeOver).WithName("TakeEnclosuresOver");
    }

    /// <summary>What would go with a menu if it were published now.</summary>
    private static async Task<Results<Ok<IReadOnlyList<EnclosedThing>>, ProblemHttpResult>> AtDesk(
        Guid id,
        CurrentTenant tenant,
        Database database,
        MenuStore menus,
        EnclosureStore store
    )
    {
        var ((menu, recipes), desk) = await database.Read(tenant, menus.WithDishes(id).And(store.Home));
        return menu.WithId(id) is null ? MenuStore.Gone(id).ToProblem() : TypedResults.Ok(EnclosureSheets.Things(Of(recipes, desk)));
    }

    /// <summary>What a desk has for the dishes of a menu.</summary>
    internal static Enclosures Of(IReadOnlyDictionary<Guid, StoredRecipe> recipes, EnclosureHome desk) =>
        Enclosures.Of(
            recipes.Values.Select(recipe => recipe.Version),
            desk.Table.Protocols,
            ProtocolFile.PacketsIn,
            desk.Foods.Matcher.WithKey,
            from word in desk.Foods.Learnt
            let food = desk.Foods.Matcher.WithKey(word.FoodKey)
            where food is not null
            select (word.Words, food),
            from price in desk.Prices
            let food = desk.Foods.Matcher.WithKey(price.Food)
            where food is not null
            select (price, food)
        );

    private static async Task<Ok<IReadOnlyList<EnclosedSheet>>> Read(Guid group, CurrentTenant tenant, [AsParameters] Kitchen kitchen)
    {
        var (menus, home) = await kitchen.Database.Read(tenant, kitchen.Published.NewestOfAll.And(kitchen.Store.Home));
        return TypedResults.Ok(EnclosureSheets.Beside(OfGroup(group, menus, kitchen), home, group));
    }

    private static async Task<Results<Ok<TakenOver>, ProblemHttpResult>> TakeOver(
        Guid group,
        TakeOverRequest request,
        Editing editing,
        [AsParameters] Kitchen kitchen,
        TimeProvider clock
    )
    {
        var all = OfGroup(group, await kitchen.Database.Read(editing.Tenant, kitchen.Published.NewestOfAll), kitchen);
        var asked = request.Things.Select(one => (one.Kind, one.Name)).ToHashSet();
        var chosen = all.Where((kind, name) => asked.Contains((kind, name)));
        var prints = EnclosureSheets.Prints(chosen);
        if (
            asked
                .Except(prints.Select(one => (one.Kind, one.Name)))
                .Select(one => one.Name)
                .Append(asked.Count == 0 ? "" : null)
                .FirstOrDefault(name => name is not null) is
            { } missing
        )
        {
            return new Refusal(
                "enclosed-gone",
                "things",
                missing,
                "no menu of the group brings it any more",
                "Choose from the list as it is now"
            ).ToProblem();
        }

        var taken = await kitchen.Store.TakeOver(
            editing,
            group,
            prints is [var one] ? $"Took {one.Name} over" : $"Took {prints.Count} things over",
            _ => (chosen, prints),
            clock.GetUtcNow()
        );
        return editing.Answer(taken.Select(edited => edited.Select(count => new TakenOver(count))));
    }

    /// <summary>What a file brings that is new here; what is here under the same name stays as it is.</summary>
    internal static Task<Result<Edited<int>>> TakeNew(EditStamp stamp, Enclosures things, EnclosureStore store, DateTimeOffset at) =>
        store.TakeOver(
            stamp,
            null,
            "Took over what came with a menu",
            home =>
            {
                var states = EnclosureSheets.Beside(things, home, Guid.Empty).ToDictionary(one => (one.Kind, one.Name), one => one.State);
                var news = things.Where((kind, name) => states[(kind, name)] == EnclosedState.New);
                return (news, EnclosureSheets.Prints(news));
            },
            at
        );

    /// <summary>Of the newest versions of the group's menus; of two of one name the one that was published last.</summary>
    private static Enclosures OfGroup(Guid group, IReadOnlyList<ReadMenu> menus, Kitchen kitchen) =>
        menus
            .Where(menu => menu.Group == group)
            .Select(menu => kitchen.Readings.Enclosed(menu, kitchen.Knowledge))
            .Aggregate(Enclosures.None, (all, menu) => all.Or(menu));
}

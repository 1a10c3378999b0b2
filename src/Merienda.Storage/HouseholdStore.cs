using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>Who belongs to a household, and who eats in it.</summary>
/// <param name="tableOf">Reads the documents of a stored table.</param>
public sealed class HouseholdStore(Database database, EditDoor door, Func<StoredTable, Table> tableOf)
{
    /// <summary>Who sits at the table under which rules.</summary>
    /// <param name="week">First day of the week whose protocol versions hold; null for the latest ones.</param>
    public Reading<Table> Table(DateOnly? week = null) => TableReading.Of(week).Select(tableOf);

    /// <summary>The household as it is set up, without who eats there.</summary>
    public static readonly Reading<Household> SetUp = TableReading.Household;

    public Task<Household> Household(Tenant tenant) => database.Read(tenant, TableReading.Household);

    /// <summary>The households that an account belongs to, the one it works in first, then the one it belongs to longest.</summary>
    public Task<IReadOnlyList<Guid>> HouseholdsOf(Guid account) =>
        database.Read(
            new Tenant(account, Guid.Empty),
            Reading.Of<IReadOnlyList<Guid>>(
                """
                select household_id from household_member member join account on account.id = member.account_id
                where member.account_id = app_account() order by household_id is distinct from works_in, household_id;
                """,
                null,
                async rows => [.. await rows.ReadAsync<Guid>()]
            )
        );

    /// <summary>Works in another of the households it belongs to, from now on.</summary>
    public Task WorkIn(Tenant tenant) =>
        database.Write(
            tenant,
            Reading.Of("update account set works_in = app_household() where id = app_account();", null, _ => Task.FromResult(true))
        );

    /// <summary>Opens a household for an account and works in it.</summary>
    public Task Open(Guid account, NewHousehold opened) =>
        database.Write(new Tenant(account, opened.Id, IsOutside: true), Opening(opened.Rows()));

    public Task Join(Tenant tenant) => database.Write(tenant with { IsOutside = true }, Membership);

    /// <summary>A household's first rows, and that whoever opens it belongs to it.</summary>
    internal static Reading<bool> Opening(Change rows)
    {
        var (sql, parameters) = rows.Statements();
        return Reading.Of(sql, parameters, _ => Task.FromResult(true)).And(Membership).Select(done => done.Second);
    }

    private static readonly Reading<bool> Membership = Reading.Of(
        "insert into household_member (household_id, account_id) values (app_household(), app_account()) returning true;",
        null,
        rows => rows.ReadSingleAsync<bool>()
    );

    public Task<Result<Edited<Guid>>> AddEater(EditStamp stamp, string name, bool isGuest) =>
        door.Edit<(Table Table, IReadOnlyList<(Guid Eater, int Position)> Seats), Guid>(
            stamp,
            Journal.Eater,
            Table().And(Seats),
            locked =>
            {
                var seated = locked.Table.Seat(name, Guid.CreateVersion7(), isGuest);
                var seat = locked.Seats.Select(taken => taken.Position).DefaultIfEmpty(-1).Max() + 1;
                return seated.Refusal is { } refusal
                    ? refusal
                    : new Decided<Guid>(
                        new Change($"{seated.Value.Name} came to the table").Put(null, seated.Value, seat),
                        seated.Value.Id
                    );
            }
        );

    /// <summary>Changes an eater.</summary>
    /// <param name="decide">The eater as it is then, or why not.</param>
    /// <param name="view">What is answered, by the eater before; null for a retry.</param>
    public Task<Result<Edited<TView>>> ChangeEater<TView>(
        EditStamp stamp,
        Guid eaterId,
        Func<EaterSettings, string> summary,
        Func<Table, EaterSettings, Result<EaterSettings>> decide,
        Func<(Table Table, EaterSettings Before, EaterSettings After)?, Reading<TView>> view
    )
    {
        (Table, EaterSettings, EaterSettings)? seen = null;
        return door.Edit<(Table First, IReadOnlyList<(Guid, int)> Second), bool, TView>(
            stamp,
            Journal.Eater,
            Table().And(Seats),
            locked =>
            {
                if (locked.First.WithId(eaterId) is not { } before)
                {
                    return EaterGone(eaterId);
                }

                var after = decide(locked.First, before);
                if (after.Refusal is { } refusal)
                {
                    return refusal;
                }

                seen = (locked.First, before, after.Value);
                return new Decided<bool>(new Change(summary(before)).Put(before, after.Value, SeatOf(locked.Second, eaterId)), true);
            },
            _ => view(seen)
        );
    }

    /// <summary>Says which variant of a recipe is made for an eater.</summary>
    /// <param name="variant">Null for the recipe as written.</param>
    public Task<Result<Edited<TView>>> PreferVariant<TView>(
        EditStamp stamp,
        (Guid Id, Reading<StoredRecipe?> Read) recipe,
        Guid eaterId,
        string? variant,
        Func<Reading<TView>> view
    ) =>
        ChangeFor(
            stamp,
            recipe,
            eaterId,
            (before, found) => before.PreferVariant(found.RecipeId, found.Version, variant),
            (before, found) => $"{before.Name} gets {found.Version.Name} {variant ?? "as written"}",
            view
        );

    /// <summary>Notes that an eater does not like a dish or a part of it, or likes it after all.</summary>
    /// <param name="part">Empty for the whole dish.</param>
    public Task<Result<Edited<TView>>> Dislike<TView>(
        EditStamp stamp,
        (Guid Id, Reading<StoredRecipe?> Read) recipe,
        Guid eaterId,
        string part,
        bool isDisliked,
        Func<Reading<TView>> view
    ) =>
        ChangeFor(
            stamp,
            recipe,
            eaterId,
            (before, found) => before.Dislike(found.RecipeId, found.Version, part, isDisliked),
            (before, found) =>
                $"{before.Name} {(isDisliked ? "does not like" : "likes")} {(part.Length == 0 ? found.Version.Name : $"the {part} of {found.Version.Name}")}",
            view
        );

    /// <summary>Changes what is said of an eater and a recipe.</summary>
    private Task<Result<Edited<TView>>> ChangeFor<TView>(
        EditStamp stamp,
        (Guid Id, Reading<StoredRecipe?> Read) recipe,
        Guid eaterId,
        Func<EaterSettings, StoredRecipe, Result<EaterSettings>> decide,
        Func<EaterSettings, StoredRecipe, string> words,
        Func<Reading<TView>> view
    ) =>
        door.Edit<((Table Table, IReadOnlyList<(Guid, int)> Seats) First, StoredRecipe? Recipe), bool, TView>(
            stamp,
            Journal.Eater,
            Table().And(Seats).And(recipe.Read),
            locked =>
            {
                var ((table, seats), found) = locked;
                if (found is null)
                {
                    return RecipeStore.Gone(recipe.Id);
                }

                if (table.WithId(eaterId) is not { } before)
                {
                    return EaterGone(eaterId);
                }

                var after = decide(before, found);
                return after.Refusal is { } refusal
                    ? refusal
                    : new Decided<bool>(new Change(words(before, found)).Put(before, after.Value, SeatOf(seats, eaterId)), true);
            },
            _ => view()
        );

    /// <summary>Takes an eater from the table; refused while portions stand in their days.</summary>
    public Task<Result<Edited<bool>>> RemoveEater(EditStamp stamp, Guid eaterId) =>
        door.Edit<((Table First, IReadOnlyList<(Guid, int)> Second) First, (bool HasPortions, EaterLeft Left) Second), bool>(
            stamp,
            Journal.Eater,
            Table().And(Seats).And(HangsOn(eaterId)),
            locked =>
            {
                var ((table, seats), (hasPortions, left)) = locked;
                if (table.WithId(eaterId) is not { } eater)
                {
                    return EaterGone(eaterId);
                }

                return hasPortions
                    ? new Refusal(
                        "portions-in-their-days",
                        "eater",
                        eater.Name,
                        $"portions stand in {eater.Name}'s days",
                        "Take them back to the bench first"
                    )
                    : new Decided<bool>(
                        new Change($"{eater.Name} left the table")
                            .Put(eater, null, SeatOf(seats, eaterId))
                            .Put(Tables.PacketOpinion, left.Opinions, [])
                            .Put(Tables.DiaryEntry, left.Diary, [])
                            .Put(Tables.Serving, left.Servings, []),
                        true
                    );
            }
        );

    public static Refusal EaterGone(Guid eaterId) =>
        new("eater-gone", "eater", eaterId.ToString(), "nobody at the table is meant", "Load the page again");

    /// <summary>Where each eater sits; what is read of an eater does not say it.</summary>
    internal static readonly Reading<IReadOnlyList<(Guid Eater, int Position)>> Seats = Reading.Of<IReadOnlyList<(Guid, int)>>(
        "select id, position from eater order by position, id;",
        null,
        async rows => [.. await rows.ReadAsync<(Guid, int)>()]
    );

    internal static int SeatOf(IReadOnlyList<(Guid Eater, int Position)> seats, Guid eater) =>
        seats.First(seat => seat.Eater == eater).Position;

    private sealed record EaterLeft(
        IReadOnlyList<PacketOpinionRow> Opinions,
        IReadOnlyList<DiaryEntryRow> Diary,
        IReadOnlyList<ServingRow> Servings
    );

    private static Reading<(bool HasPortions, EaterLeft Left)> HangsOn(Guid eaterId) =>
        Reading.Of(
            """
            select exists (
                select 1 from serving join serving_item item on item.household_id = serving.household_id and item.serving_id = serving.id
                where serving.eater_id = @leaving);
            select packet_id, eater_id, is_approved, reason, statement, decided_on, decided_by from packet_opinion where eater_id = @leaving;
            select id, eater_id, protocol_id, noted_on, text, written_by from diary_entry where eater_id = @leaving;
            select id, eaten_on, meal, eater_id, state, is_locked, note from serving where eater_id = @leaving;
            """,
            new { leaving = eaterId },
            async rows =>
                (
                    await rows.ReadSingleAsync<bool>(),
                    new EaterLeft(
                        [.. await rows.ReadAsync<PacketOpinionRow>()],
                        [.. await rows.ReadAsync<DiaryEntryRow>()],
                        [.. await rows.ReadAsync<ServingRow>()]
                    )
                )
        );
}

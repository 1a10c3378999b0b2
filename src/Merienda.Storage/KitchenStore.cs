using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage.Edits;

namespace Merienda.Storage;

/// <summary>The household's kitchen, changed as a whole.</summary>
public sealed class KitchenStore(Database database, EditDoor door)
{
    internal static readonly Reading<(HouseholdSettingsRow Settings, Kitchen Kitchen)> Stored = Reading.Of(
        """
        select name, time_zone, units, number_format, first_day, freezer_l, counts_tolerances
        from household where id = app_household();
        select id, kind, name, count, capacity_ml, fill_share, width_mm, length_mm, tare_g from kitchen_item order by position;
        select id, name, volume_ml, count, material, may_heat, may_freeze, may_fill_hot from container_kind order by position;
        select id, line as text, meal, most_a_week from ready_choice order by position;
        """,
        null,
        async rows =>
        {
            var settings = await rows.ReadSingleAsync<HouseholdSettingsRow>();
            var kitchen = new Kitchen(
                settings.Units,
                settings.NumberFormat,
                settings.FreezerL,
                [.. await rows.ReadAsync<KitchenItem>()],
                [.. await rows.ReadAsync<ContainerKind>()]
            )
            {
                CountsTolerances = settings.CountsTolerances,
                Ready = [.. await rows.ReadAsync<ReadyChoice>()],
            };
            return (settings, kitchen);
        }
    );

    public static Reading<Kitchen> Current { get; } = Stored.Select(stored => stored.Kitchen);

    public Task<Kitchen> Read(Tenant tenant) => database.Read(tenant, Current);

    public Task<Result<Edited<TView>>> Change<TView>(EditStamp stamp, Kitchen kitchen, Func<Kitchen, TView> draw) =>
        door.Edit<(HouseholdSettingsRow Settings, Kitchen Kitchen), bool, TView>(
            stamp,
            Journal.Kitchen,
            Stored,
            stored =>
                kitchen.Wrong() is { } refusal ? refusal : new Decided<bool>(Difference(stored.Settings, stored.Kitchen, kitchen), true),
            _ => Stored.Select(stored => draw(stored.Kitchen))
        );

    private static Change Difference(HouseholdSettingsRow settings, Kitchen before, Kitchen after) =>
        new Change("Changed the kitchen")
            .Put(
                Tables.Household,
                settings,
                settings with
                {
                    Units = after.Units,
                    NumberFormat = after.NumberFormat,
                    FreezerL = after.FreezerLitres,
                    CountsTolerances = after.CountsTolerances,
                }
            )
            .Put(Tables.KitchenItem, before.Items.Select(RowOf), after.Items.Select(RowOf))
            .Put(Tables.ContainerKind, before.Containers.Select(RowOf), after.Containers.Select(RowOf))
            .Put(Tables.ReadyChoice, before.Ready!.Select(RowOf), (after.Ready ?? before.Ready!).Select(RowOf));

    internal static KitchenItemRow RowOf(KitchenItem item, int position) =>
        new(item.Id, position, item.Kind, item.Name, item.Count, item.CapacityMl, item.FillShare, item.WidthMm, item.LengthMm, item.TareG);

    private static ReadyChoiceRow RowOf(ReadyChoice ready, int position) =>
        new(ready.Id, position, ready.Text.Trim(), ready.Meal, ready.MostAWeek);

    private static ContainerKindRow RowOf(ContainerKind kind, int position) =>
        new(kind.Id, position, kind.Name, kind.VolumeMl, kind.Count, kind.Material, kind.MayHeat, kind.MayFreeze, kind.MayFillHot);
}

using Dapper;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Npgsql;

namespace Merienda.Storage;

/// <summary>The household's kitchen, changed as a whole.</summary>
public sealed class KitchenStore(Database database)
{
    public Task<Kitchen> Read(Tenant tenant) => database.As(tenant, Read);

    public Task<Kitchen> Change(Tenant tenant, Kitchen kitchen) =>
        database.As(
            tenant,
            async connection =>
            {
                await connection.ExecuteAsync("select 1 from household where id = @Household for update", new { tenant.Household });
                var before = await Read(connection);
                await Write(connection, tenant, kitchen);
                await Journal.Write(connection, tenant, Journal.Kitchen, "Changed the kitchen", new KitchenChange(before, kitchen));
                return kitchen;
            }
        );

    internal static async Task<Refusal?> Undo(NpgsqlConnection connection, Tenant tenant, KitchenChange change)
    {
        if (!Same(await Read(connection), change.After))
        {
            return new(
                "changed-meanwhile",
                "undo",
                "the kitchen",
                "somebody changed it since",
                "Look at it as it is now and change it by hand"
            );
        }

        await Write(connection, tenant, change.Before);
        return null;
    }

    private static bool Same(Kitchen one, Kitchen other) =>
        (one.Units, one.NumberFormat, one.PrepDay, one.SecondDay, one.FreezerLitres, one.CountsTolerances)
            == (other.Units, other.NumberFormat, other.PrepDay, other.SecondDay, other.FreezerLitres, other.CountsTolerances)
        && one.Items.SequenceEqual(other.Items)
        && one.Containers.SequenceEqual(other.Containers);

    private static async Task<Kitchen> Read(NpgsqlConnection connection)
    {
        using var rows = await connection.QueryMultipleAsync(
            """
            select units, number_format, prep_day::int, second_day::int, freezer_l, counts_tolerances from household where id = app_household();
            select id, kind, name, count, capacity_ml, fill_share, width_mm, length_mm from kitchen_item order by position;
            select id, name, volume_ml, count, material, may_heat, may_freeze, may_fill_hot from container_kind order by position;
            """
        );
        var (units, format, prep, second, freezer, tolerances) = await rows.ReadSingleAsync<(string, string, int, int?, decimal?, bool)>();
        return new(
            units,
            format,
            (DayOfWeek)prep,
            (DayOfWeek?)second,
            freezer,
            [.. await rows.ReadAsync<KitchenItem>()],
            [.. await rows.ReadAsync<ContainerKind>()]
        )
        {
            CountsTolerances = tolerances,
        };
    }

    private static async Task Write(NpgsqlConnection connection, Tenant tenant, Kitchen kitchen)
    {
        await connection.ExecuteAsync(
            """
            update household set units = @Units, number_format = @NumberFormat, prep_day = @Prep, second_day = @Second, freezer_l = @FreezerLitres, counts_tolerances = @CountsTolerances where id = @Household;
            delete from kitchen_item;
            delete from container_kind;
            """,
            new
            {
                tenant.Household,
                kitchen.Units,
                kitchen.NumberFormat,
                Prep = (int)kitchen.PrepDay,
                Second = (int?)kitchen.SecondDay,
                kitchen.FreezerLitres,
                kitchen.CountsTolerances,
            }
        );
        await connection.ExecuteAsync(
            "insert into kitchen_item (household_id, id, position, kind, name, count, capacity_ml, fill_share, width_mm, length_mm) values (@Household, @Id, @Position, @Kind, @Name, @Count, @CapacityMl, @FillShare, @WidthMm, @LengthMm)",
            kitchen.Items.Select(
                (item, position) =>
                    new
                    {
                        tenant.Household,
                        item.Id,
                        Position = position,
                        item.Kind,
                        item.Name,
                        item.Count,
                        item.CapacityMl,
                        item.FillShare,
                        item.WidthMm,
                        item.LengthMm,
                    }
            )
        );
        await connection.ExecuteAsync(
            "insert into container_kind (household_id, id, position, name, volume_ml, count, material, may_heat, may_freeze, may_fill_hot) values (@Household, @Id, @Position, @Name, @VolumeMl, @Count, @Material, @MayHeat, @MayFreeze, @MayFillHot)",
            kitchen.Containers.Select(
                (item, position) =>
                    new
                    {
                        tenant.Household,
                        item.Id,
                        Position = position,
                        item.Name,
                        item.VolumeMl,
                        item.Count,
                        item.Material,
                        item.MayHeat,
                        item.MayFreeze,
                        item.MayFillHot,
                    }
            )
        );
    }
}

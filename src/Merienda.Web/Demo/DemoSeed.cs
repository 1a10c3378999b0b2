using System.Text.Json;
using Merienda.Core.Keeping;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;
using Merienda.Web.Larder;
using Microsoft.AspNetCore.Identity;

namespace Merienda.Web.Demo;

/// <summary>Seeds the invented households of data/demo, each once, through the same doors that people use.</summary>
public sealed class DemoSeed(
    Database database,
    AccountStore accounts,
    HouseholdStore households,
    RecipeStore recipes,
    DemoLibrary library,
    WeekStore weeks,
    KitchenStore kitchens,
    BoxStore boxes,
    StockStore stock,
    DemoLarder larder,
    DemoCircle circle,
    TimeProvider clock
)
{
    /// <summary>Port Ansel's afternoon bite has a name of its own, and stands so in the demo's recipes.</summary>
    internal static readonly Rhythm DemoRhythm = Rhythm.Usual with
    {
        Slots =
        [
            .. Rhythm.Usual.Slots.Select(slot => slot.Role == MealRole.Bite ? slot with { Key = "merienda", Name = "merienda" } : slot),
        ],
    };

    public Task Run() => database.Exclusively(SeedWhatIsMissing);

    private async Task SeedWhatIsMissing()
    {
        var present = await accounts.DemoPeople();
        foreach (var household in Read<List<DemoHousehold>>("households.json"))
        {
            if (present.All(person => person.Email != household.People[0].Email))
            {
                await Seed(household, DemoRecipes.Load(DataFiles.Find()), Read<List<DemoPacket>>("packets.json"));
            }
        }

        await circle.Meet(await accounts.DemoPeople());
    }

    private async Task Seed(DemoHousehold household, IReadOnlyList<DemoRecipe> dishes, IReadOnlyList<DemoPacket> bought)
    {
        var people = new List<Account>();
        var today = HouseholdClock.Today(clock, household.TimeZone);
        var eaters = household.Eaters.Select(eater => eater.ToSettings(today, DemoRhythm)).ToList();
        var opened = new NewHousehold(Guid.CreateVersion7(), household.Name, household.TimeZone, DemoRhythm, eaters);
        foreach (var person in household.People)
        {
            var account = new Account
            {
                Id = Guid.CreateVersion7(),
                Email = person.Email,
                NormalizedEmail = new UpperInvariantLookupNormalizer().NormalizeEmail(person.Email),
                DisplayName = person.Name,
                SecurityStamp = Guid.NewGuid().ToString("N"),
                IsDemo = true,
                Opens = people.Count == 0 ? opened : null,
            };
            await accounts.CreateAsync(account, CancellationToken.None);
            people.Add(account);
        }

        var tenant = new Tenant(people[0].Id, opened.Id);
        if (household.Kitchen is { } kitchen)
        {
            Must(
                await kitchens.Change(
                    Stamp(tenant),
                    kitchen with
                    {
                        Items = [.. kitchen.Items.Select(item => item with { Id = Guid.CreateVersion7() })],
                        Containers = [.. kitchen.Containers.Select(item => item with { Id = Guid.CreateVersion7() })],
                        Ready = [.. (kitchen.Ready ?? []).Select(item => item with { Id = Guid.CreateVersion7() })],
                    },
                    changed => changed
                )
            );
        }

        foreach (var other in people.Skip(1))
        {
            await households.Join(tenant with { Account = other.Id });
        }

        await larder.Fill(tenant, bought, household.Opinions, eaters, today);
        var saved = await library.Save(tenant, dishes);
        foreach (var usual in household.Usual ?? [])
        {
            var id = saved[usual.Recipe];
            Must(
                await households.PreferVariant(
                    Stamp(tenant),
                    (id, recipes.Latest(id)),
                    eaters.Single(eater => eater.Name == usual.Eater).Id,
                    usual.Variant,
                    () => Reading.Known(true)
                )
            );
        }

        var start = DemoRhythm.WeekOf(today);
        foreach (var left in household.Earlier ?? [])
        {
            await LeaveBoxes(tenant, start.AddDays(left.CookedOnDay), left, saved[left.Recipe], household.TimeZone);
        }

        foreach (var batch in household.Batches)
        {
            await Plan(tenant, start, batch, saved[batch.Recipe]);
        }

        // Last: what was cooked before would take from it.
        await SeedStock(tenant, household, today);
    }

    private async Task SeedStock(Tenant tenant, DemoHousehold household, DateOnly today)
    {
        foreach (var thing in household.Stock)
        {
            var boughtOn = today.AddDays(-thing.BoughtDaysAgo);
            var request = new TakeInRequest(
                thing.Line,
                thing.Place,
                null,
                boughtOn,
                thing.BestBeforeInDays is { } days ? today.AddDays(days) : null
            );
            Must(
                await stock.Add(
                    Stamp(tenant),
                    (_, known) =>
                        StockEndpoints
                            .Read(request, known.Matcher, MeasureSystem.Metric, today)
                            .Select(item => item with { OpenedOn = thing.OpenedDaysAgo is { } ago ? today.AddDays(-ago) : null }),
                    item => [item]
                )
            );
        }
    }

    private async Task Plan(Tenant tenant, DateOnly start, DemoBatch planned, Guid recipe)
    {
        var made = Must(
            await weeks.Make(
                Stamp(tenant),
                recipe,
                start,
                start.AddDays(planned.CookedOnDay),
                planned.Portions,
                planned.Variants ?? [],
                week => week.Plan.Batches.MaxBy(batch => batch.Id)!.Id
            )
        ).View;
        Must(
            await weeks.Edit(
                Stamp(tenant),
                start,
                week =>
                {
                    var plan = week.Plan;
                    foreach (var place in planned.AllPlaces)
                    {
                        var eater = week.Table.Diners.Single(one => one.Name == place.Eater);
                        var lots = week.LotsFor(made, eater);
                        var cell = new Cell(start.AddDays(place.Day), place.Meal, eater.Id);
                        var placed = lots.Refusal is { } stopped
                            ? stopped
                            : plan.Place(made, cell, place.Size ?? 1, Guid.CreateVersion7, null, lots.Value);
                        if (placed.Refusal is { } refusal)
                        {
                            return refusal;
                        }

                        plan = placed.Value;
                    }

                    return (plan, "Placed");
                },
                _ => true
            )
        );
    }

    private async Task LeaveBoxes(Tenant tenant, DateOnly cooked, DemoLeft left, Guid recipe, string timeZone)
    {
        var week = DemoRhythm.WeekOf(cooked.AddDays(1));
        var made = Must(
            await weeks.Make(
                Stamp(tenant),
                recipe,
                week,
                cooked,
                left.Portions,
                [],
                stored => stored.Plan.Batches.MaxBy(batch => batch.Id)!
            )
        ).View;
        var then = new DateTimeOffset(cooked.ToDateTime(new TimeOnly(18, 0)), TimeSpan.Zero);
        var filled = Must(
            await boxes.Portion(Stamp(tenant), week, _ => [made.Id], null, then, stored => stored.Week.Plan.ContainersOf(made.Id).ToList())
        ).View;
        foreach (var (box, at) in filled.Select((box, at) => (box, at)))
        {
            var (kind, on) = at < left.Frozen ? (BoxEventKind.Frozen, then) : (BoxEventKind.Eaten, then.AddDays(1 + at / 2));
            Must(
                await boxes.Tell(
                    Stamp(tenant),
                    made.Id,
                    box.Id,
                    new(Guid.CreateVersion7(), kind, on, null, ""),
                    (_, happened) => HouseholdClock.DayOf(happened, timeZone),
                    on
                )
            );
        }
    }

    internal static EditStamp Stamp(Tenant tenant) => new(tenant, Guid.CreateVersion7());

    internal static T Must<T>(Result<T> result) =>
        result.Refusal is { } refusal ? throw new InvalidDataException($"The demo data is wrong: {refusal}") : result.Value;

    /// <summary>A file of data/demo.</summary>
    internal static T Read<T>(string file) =>
        JsonSerializer.Deserialize<T>(File.ReadAllText(Path.Combine(DataFiles.Find(), "demo", file)), DataFiles.Json)!;
}

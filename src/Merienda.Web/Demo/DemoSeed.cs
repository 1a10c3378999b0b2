using System.Text.Json;
using Merienda.Core.Foods.Labels;
using Merienda.Core.Foods.Packets;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Sessions;
using Merienda.Core.Stock;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Storage.Edits;
using Merienda.Web.Hosting;
using Merienda.Web.Larder;
using Merienda.Web.Recipes;
using Microsoft.AspNetCore.Identity;

namespace Merienda.Web.Demo;

/// <summary>Seeds the invented households of data/demo, each once, through the same doors that people use.</summary>
public sealed class DemoSeed(
    Database database,
    AccountStore accounts,
    HouseholdStore households,
    RecipeStore recipes,
    WeekStore weeks,
    KitchenStore kitchens,
    PacketStore packets,
    StockStore stock,
    TimeProvider clock
)
{
    public Task Run() => database.Exclusively(SeedWhatIsMissing);

    private async Task SeedWhatIsMissing()
    {
        var folder = Path.Combine(DataFiles.Find(), "demo");
        var present = await accounts.DemoPeople();
        foreach (var household in Read<DemoHousehold>(folder, "households.json"))
        {
            if (present.All(person => person.Email != household.People[0].Email))
            {
                await Seed(household, Read<DemoRecipe>(folder, "recipes.json"), Read<DemoPacket>(folder, "packets.json"));
            }
        }
    }

    private async Task Seed(DemoHousehold household, IReadOnlyList<DemoRecipe> dishes, IReadOnlyList<DemoPacket> bought)
    {
        var people = new List<Account>();
        var today = HouseholdClock.Today(clock, household.TimeZone);
        var eaters = household.Eaters.Select(eater => eater.ToSettings(today)).ToList();
        var opened = new NewHousehold(Guid.CreateVersion7(), household.Name, household.TimeZone, eaters);
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
                    },
                    changed => changed
                )
            );
        }

        foreach (var other in people.Skip(1))
        {
            await households.Join(tenant with { Account = other.Id });
        }

        await SeedLarder(tenant, household, bought, eaters, today);
        var saved = new Dictionary<string, Guid>();
        foreach (var dish in dishes)
        {
            var id = Guid.CreateVersion7();
            var draft = dish.ToDraft();
            Must(
                await recipes.Save(
                    Stamp(tenant),
                    id,
                    null,
                    foods => RecipeSheets.ToRecipe(draft, id, foods.Matcher),
                    (_, _) => [],
                    clock.GetUtcNow(),
                    Reading.Known
                )
            );
            saved.Add(dish.Key, id);
        }

        var start = HouseholdClock.WeekOf(today);
        foreach (var batch in household.Batches)
        {
            await Plan(tenant, start, batch, saved[batch.Recipe], eaters);
        }
    }

    private async Task SeedLarder(
        Tenant tenant,
        DemoHousehold household,
        IReadOnlyList<DemoPacket> bought,
        IReadOnlyList<EaterSettings> eaters,
        DateOnly today
    )
    {
        foreach (var packet in bought)
        {
            Must(await packets.Save(Stamp(tenant), Guid.CreateVersion7(), packet.ToPrinted(), null, clock.GetUtcNow()));
        }

        var foods = await database.Read(tenant, packets.Foods);
        foreach (var said in household.Opinions)
        {
            var packet = foods.Packets.Values.Single(item => item.Printed.Name == said.Packet);
            Must(
                await packets.Decide(
                    Stamp(tenant),
                    packet.PacketId,
                    eaters.Single(eater => eater.Name == said.Eater).Id,
                    households.Table(),
                    (_, eater, food) =>
                        eater
                            .Decide(food.Food, said.IsApproved, said.Reason, true, today.AddDays(-said.DaysAgo))
                            .Select(opinion => (PacketOpinion?)opinion)
                )
            );
        }

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

    private async Task Plan(Tenant tenant, DateOnly start, DemoBatch planned, Guid recipe, IReadOnlyList<EaterSettings> eaters)
    {
        var made = Must(
            await weeks.Make(
                Stamp(tenant),
                recipe,
                start,
                start.AddDays(planned.CookedOnDay),
                planned.Portions,
                week => week.Plan.Batches.MaxBy(batch => batch.Id)!.Id
            )
        ).View;
        foreach (var place in planned.Places)
        {
            var cell = new Cell(start.AddDays(place.Day), place.Meal, eaters.Single(eater => eater.Name == place.Eater).Id);
            var item = Must(
                await weeks.Edit(
                    Stamp(tenant),
                    start,
                    week => week.Plan.Place(made, cell, 1, Guid.CreateVersion7).Select(plan => (plan, "Placed")),
                    week => week.Plan.At(cell)!.Draws.Last(draw => draw.Batch == made)
                )
            ).View;
            if (place.Size is { } size)
            {
                Must(
                    await weeks.Edit(
                        Stamp(tenant),
                        start,
                        week => week.Plan.ChangeSize(item.Id, item.Size, new(size)).Select(plan => (plan, "Changed a portion")),
                        _ => true
                    )
                );
            }
        }
    }

    private static EditStamp Stamp(Tenant tenant) => new(tenant, Guid.CreateVersion7());

    private static T Must<T>(Result<T> result) =>
        result.Refusal is { } refusal ? throw new InvalidDataException($"The demo data is wrong: {refusal}") : result.Value;

    private static IReadOnlyList<T> Read<T>(string folder, string file) =>
        JsonSerializer.Deserialize<List<T>>(File.ReadAllText(Path.Combine(folder, file)), DataFiles.Json)!;

    private sealed record DemoPersonRow(string Name, string Email);

    private sealed record DemoAllowance(string Protocol, string Rule, decimal? AtLeast = null, decimal? AtMost = null);

    private sealed record DemoPhase(string Protocol, int StartedDaysAgo, int RestrictionDays, IReadOnlyList<string> Order);

    private sealed record DemoChoice(string Protocol, string Choice, string Option);

    private sealed record DemoEater(
        string Name,
        IReadOnlyList<string> Protocols,
        IReadOnlyList<DemoAllowance> Allowances,
        decimal? PortionHabit = null,
        IReadOnlyList<DemoChoice>? Choices = null,
        IReadOnlyList<string>? Allergies = null,
        IReadOnlyList<string>? Dislikes = null,
        IReadOnlyList<DemoPhase>? Phases = null
    )
    {
        /// <summary>Phases are told from today, so that the demo always stands in the middle of one.</summary>
        public EaterSettings ToSettings(DateOnly today) =>
            EaterSettings.Named(Guid.CreateVersion7(), Name) with
            {
                Protocols = Protocols,
                Allowances = [.. Allowances.Select(item => new StatedAllowance(item.Protocol, item.Rule, item.AtLeast, item.AtMost))],
                PortionHabit = PortionHabit ?? 1,
                Choices = [.. (Choices ?? []).Select(item => new EaterChoice(item.Protocol, item.Choice, item.Option))],
                Allergies = Allergies ?? [],
                Dislikes = Dislikes ?? [],
                Phases =
                [
                    .. (Phases ?? []).Select(phase => new StatedPhase(
                        phase.Protocol,
                        today.AddDays(-phase.StartedDaysAgo),
                        today.AddDays(phase.RestrictionDays - phase.StartedDaysAgo - 1),
                        [.. phase.Order.Select(id => new StatedChallenge(id, ChallengeOutcome.Open))]
                    )),
                ],
            };
    }

    private sealed record DemoPlace(int Day, string Meal, string Eater, decimal? Size = null);

    private sealed record DemoBatch(string Recipe, int CookedOnDay, decimal Portions, IReadOnlyList<DemoPlace> Places);

    private sealed record DemoHousehold(
        string Name,
        string TimeZone,
        IReadOnlyList<DemoPersonRow> People,
        IReadOnlyList<DemoEater> Eaters,
        IReadOnlyList<DemoBatch> Batches,
        IReadOnlyList<DemoStock> Stock,
        IReadOnlyList<DemoOpinion> Opinions,
        Kitchen? Kitchen = null
    );

    private sealed record DemoStock(
        string Line,
        StockPlace Place,
        int BoughtDaysAgo,
        int? OpenedDaysAgo = null,
        int? BestBeforeInDays = null
    );

    private sealed record DemoOpinion(string Packet, string Eater, bool IsApproved, string Reason, int DaysAgo);

    private sealed record DemoPacket(
        string Name,
        LabelCountry Country,
        string Serving,
        IReadOnlyDictionary<LabelNutrient, string> Values,
        string Statement,
        string MayContain,
        string Pack,
        IReadOnlyList<string> Classes,
        string Aisle,
        decimal? Price = null,
        decimal? Points = null,
        int? OpenedDays = null
    )
    {
        public PrintedPacket ToPrinted() =>
            new(Name, Country, null, Serving, Values, Statement, MayContain, Pack, Price, Points, OpenedDays, Classes, Aisle);
    }

    private sealed record DemoTask(
        string Id,
        string Text,
        int HandsOn,
        int Unattended = 0,
        Appliance Appliance = Appliance.None,
        int? TemperatureC = null,
        IReadOnlyList<string>? After = null
    );

    private sealed record DemoRecipe(
        string Key,
        string Name,
        decimal Portions,
        string? Meal,
        string Keeping,
        string Reheating,
        string AtEating,
        MeasureSystem System,
        IReadOnlyList<string> Lines,
        IReadOnlyList<DemoTask> Tasks
    )
    {
        public RecipeDraft ToDraft() =>
            new(
                Name,
                Portions,
                Meal,
                Keeping,
                Reheating,
                AtEating,
                System,
                [.. Lines.Select(line => new DraftLine("", line, null))],
                [
                    .. Tasks.Select(task => new DraftTask(
                        task.Id,
                        task.Text,
                        task.HandsOn,
                        task.Unattended,
                        task.Appliance,
                        task.TemperatureC,
                        task.After ?? []
                    )),
                ],
                null
            );
    }
}

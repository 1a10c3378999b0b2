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
using Merienda.Web.Accounts;
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
    OpinionStore opinions,
    StockStore stock,
    KnowledgeBase knowledge,
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
            };
            await accounts.CreateAsync(account, CancellationToken.None);
            people.Add(account);
        }

        var tenant = new Tenant(people[0].Id, Guid.CreateVersion7());
        var today = HouseholdClock.Today(clock, household.TimeZone);
        var eaters = household.Eaters.Select(eater => eater.ToSettings(today)).ToList();
        await households.Create(tenant, household.Name, household.TimeZone, eaters);
        if (household.Kitchen is { } kitchen)
        {
            await kitchens.Change(
                tenant,
                kitchen with
                {
                    Items = [.. kitchen.Items.Select(item => item with { Id = Guid.CreateVersion7() })],
                    Containers = [.. kitchen.Containers.Select(item => item with { Id = Guid.CreateVersion7() })],
                }
            );
        }

        foreach (var other in people.Skip(1))
        {
            await households.Join(tenant with { Account = other.Id });
        }

        await SeedLarder(tenant, household, bought, eaters, today);
        var foods = (await packets.Foods(tenant)).Matcher;
        var saved = new Dictionary<string, Guid>();
        foreach (var dish in dishes)
        {
            var id = Guid.CreateVersion7();
            await recipes.Save(tenant, Must(RecipeSheets.ToRecipe(dish.ToDraft(), id, foods)), [], clock.GetUtcNow());
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
            Must(packet.ToPrinted().Read(knowledge.Classes));
            Must(await packets.Save(tenant, Guid.CreateVersion7(), packet.ToPrinted(), null, clock.GetUtcNow()));
        }

        var foods = await packets.Foods(tenant);
        foreach (var said in household.Opinions)
        {
            var packet = foods.Packets.Values.Single(item => item.Printed.Name == said.Packet);
            await opinions.Decide(
                tenant,
                packet.PacketId,
                eaters.Single(eater => eater.Name == said.Eater).Id,
                new StoredOpinion(
                    packet.PacketId,
                    said.IsApproved,
                    said.Reason,
                    today.AddDays(-said.DaysAgo),
                    said.IsApproved ? PacketOpinion.StatementOf(packet.Food) : ""
                )
            );
        }

        foreach (var thing in household.Stock)
        {
            var boughtOn = today.AddDays(-thing.BoughtDaysAgo);
            var item = Must(
                StockEndpoints.Read(
                    new(thing.Line, null, thing.Place, boughtOn, thing.BestBeforeInDays is { } days ? today.AddDays(days) : null),
                    foods.Matcher,
                    MeasureSystem.Metric,
                    today
                )
            );
            await stock.Add(tenant, [item with { OpenedOn = thing.OpenedDaysAgo is { } ago ? today.AddDays(-ago) : null }]);
        }
    }

    private async Task Plan(Tenant tenant, DateOnly start, DemoBatch planned, Guid recipe, IReadOnlyList<EaterSettings> eaters)
    {
        var made = Must(await weeks.Make(tenant, recipe, start, start.AddDays(planned.CookedOnDay), planned.Portions));
        foreach (var place in planned.Places)
        {
            var cell = new Cell(start.AddDays(place.Day), place.Meal, eaters.Single(eater => eater.Name == place.Eater).Id);
            var placed = Must(await weeks.Change(tenant, made.Batch.Id, "Placed", batch => batch.Place(cell, Guid.CreateVersion7)));
            if (place.Size is { } size)
            {
                var box = placed.Batch.Containers.First(container => container.Place == cell);
                Must(
                    await weeks.Change(
                        tenant,
                        made.Batch.Id,
                        "Changed a portion of",
                        batch => batch.ChangeSize(box.Id, box.Size, size, Guid.CreateVersion7)
                    )
                );
            }
        }
    }

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
            EaterDefaults.Named(Name) with
            {
                Protocols = Protocols,
                Allowances = [.. Allowances.Select(item => new StatedAllowance(item.Protocol, item.Rule, item.AtLeast, item.AtMost))],
                PortionHabit = PortionHabit ?? 1,
                Choices = [.. (Choices ?? []).Select(item => new EaterChoice(item.Protocol, item.Choice, item.Option))],
                Allergies = Allergies ?? [],
                Dislikes = Dislikes ?? [],
                Phases =
                [
                    .. (Phases ?? []).Select(phase => new StoredPhase(
                        phase.Protocol,
                        today.AddDays(-phase.StartedDaysAgo),
                        today.AddDays(phase.RestrictionDays - phase.StartedDaysAgo - 1),
                        [.. phase.Order.Select(id => new StoredChallenge(id, ChallengeOutcome.Open))]
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

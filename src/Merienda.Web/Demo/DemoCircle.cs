using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Formats;
using Merienda.Storage;
using Merienda.Web.Groups;
using Merienda.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;
using static Merienda.Web.Demo.DemoSeed;

namespace Merienda.Web.Demo;

/// <summary>The demo's people as a group: a desk with its menus, and members who share what they follow.</summary>
public sealed class DemoCircle(
    Database database,
    AccountStore accounts,
    HouseholdStore households,
    ProtocolStore protocols,
    RecipeStore recipes,
    DemoLibrary library,
    DemoLarder larder,
    GroupStore groups,
    InvitationStore invitations,
    ShareStore shares,
    MenuStore menus,
    EnclosureStore enclosures,
    DemoBringing bringing,
    IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json,
    TimeProvider clock
)
{
    /// <summary>Founds it, unless somebody has.</summary>
    public async Task Meet(IReadOnlyList<Account> people)
    {
        var circle = Read<DemoCircleFile>("circle.json");
        var moderator = people.Single(person => person.Email == circle.Moderator);
        if ((await database.Read(new Tenant(moderator.Id, Guid.Empty, IsOutside: true), GroupStore.Mine)).Count > 0)
        {
            return;
        }

        var (now, today) = (clock.GetUtcNow(), HouseholdClock.Today(clock, circle.TimeZone));
        var opened = new NewHousehold(Guid.CreateVersion7(), circle.Name, circle.TimeZone, DemoRhythm, []);
        await groups.FoundBy(moderator.Id, opened, now);
        var desk = new Tenant(moderator.Id, opened.Id);
        await larder.Fill(desk, Read<List<DemoPacket>>("packets.json"), [], [], today);
        Must(await protocols.Add(Stamp(desk), "points", table => Counting(table.Latest("points")!.Protocol, circle.Points), [], now));
        var saved = await library.Save(desk, DemoRecipes.Load(DataFiles.Find()));
        var members = await Join(desk, circle, people);
        foreach (var menu in circle.Menus)
        {
            await Plan(desk, menu, saved, DemoRhythm.WeekOf(today).AddDays(menu.Weeks * 7), now.AddDays(menu.Weeks * 7));
        }

        await bringing.Fill(desk, circle, members, now);
        Must(await invitations.Invite(Stamp(desk), circle.Invited, now));
    }

    private static Protocol Counting(Protocol shipped, DemoPoints own) =>
        shipped with
        {
            Name = own.Name,
            Summary = own.Summary,
            Scheme = shipped.Scheme! with { Free = own.Free },
        };

    /// <summary>Whoever has a kitchen in the demo shares what they follow there; the others have a sign-in to no kitchen.</summary>
    /// <returns>The members by their names.</returns>
    private async Task<IReadOnlyDictionary<string, Guid>> Join(Tenant desk, DemoCircleFile circle, IReadOnlyList<Account> people)
    {
        var secret = LinkSecret.New();
        Must(await groups.Invite(Stamp(desk), secret, people.Count - 1 + circle.Names.Count, clock.GetUtcNow()));
        foreach (var person in people)
        {
            var member = desk with { Account = person.Id, IsOutside = true };
            Must(await groups.Join(Stamp(member), secret, clock.GetUtcNow()));
            var home = (await households.HouseholdsOf(person.Id)).First(one => one != desk.Household);
            var table = await database.Read(new Tenant(person.Id, home), households.Table());
            var eater = table.Eaters.FirstOrDefault(one => person.DisplayName.StartsWith(one.Name, StringComparison.Ordinal));
            await Share(member, eater ?? table.Eaters[0], table);
        }

        var rules = await database.Read(desk, households.Table());
        var (names, members) = (new Queue<string>(circle.Names), people.ToDictionary(person => person.DisplayName, person => person.Id));
        foreach (var strand in circle.Strands)
        {
            for (var one = 0; one < strand.Members; one++)
            {
                var account = new Account
                {
                    Id = Guid.CreateVersion7(),
                    Email = $"{names.Peek().ToLowerInvariant().Replace(' ', '.')}@port-ansel.example",
                    DisplayName = names.Dequeue(),
                    SecurityStamp = Guid.NewGuid().ToString("N"),
                };
                account.NormalizedEmail = new UpperInvariantLookupNormalizer().NormalizeEmail(account.Email);
                await accounts.CreateAsync(account, CancellationToken.None);
                members[account.DisplayName] = account.Id;
                var member = desk with { Account = account.Id, IsOutside = true };
                Must(await groups.Join(Stamp(member), secret, clock.GetUtcNow()));
                await Share(
                    member,
                    EaterSettings.Named(Guid.CreateVersion7(), account.DisplayName, DemoRhythm) with
                    {
                        Protocols = strand.Protocols,
                        Choices = [.. (strand.Choices ?? []).Select(item => new EaterChoice(item.Protocol, item.Choice, item.Option))],
                        Allergies = strand.Allergies ?? [],
                    },
                    rules
                );
            }
        }

        return members;
    }

    private Task Share(Tenant member, EaterSettings eater, Core.Planning.Table table)
    {
        var ticked = new Ticked(eater.Id, true, true, true);
        return shares.Put(member.Account, member.Household, ticked, ShareEndpoints.Of(ticked, eater, table));
    }

    private async Task Plan(Tenant desk, DemoMenu planned, IReadOnlyDictionary<string, Guid> saved, DateOnly start, DateTimeOffset at)
    {
        var dishes = new List<MenuDish>();
        foreach (var row in planned.Dishes)
        {
            var recipe = (await database.Read(desk, recipes.Latest(saved[row.Recipe])))!;
            dishes.AddRange(
                row.Days.Select(day => new MenuDish(Guid.CreateVersion7(), day, row.Meal, recipe.VersionId)
                {
                    Portions = row.Portions ?? [],
                    Variants = row.Variants ?? [],
                })
            );
        }

        var id = Must(
            await menus.Change(
                Stamp(desk),
                null,
                menu => $"Began {menu.Name}",
                (_, slots) =>
                    dishes.Aggregate(
                        Menu.Begun(Guid.CreateVersion7(), planned.Name, start, 7, planned.Note, planned.Tiers)
                            .Then(menu => menu.Noting(planned.DeskNote)),
                        (menu, dish) => Must(menu).With(dish, slots)
                    ),
                Reading.Known
            )
        ).View;
        var (kitchen, shared) = await database.Read(desk, enclosures.Home.And(ShareStore.All));
        foreach (var changed in planned.Changed)
        {
            Must(
                await menus.Publish(
                    Stamp(desk),
                    id,
                    changed,
                    (menu, group, written, household) =>
                        MenuSheets.ToPublish(
                            menu,
                            group,
                            written,
                            household,
                            kitchen,
                            shared,
                            Enum.GetValues<EnclosedKind>(),
                            json.Value.SerializerOptions
                        ),
                    at.AddHours(changed.Length == 0 ? -48 : -24),
                    Reading.Known
                )
            );
        }
    }
}

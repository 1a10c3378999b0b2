using Merienda.Core.Groups;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;

namespace Merienda.Core.Tests.Groups;

/// <summary>Many strands are checked together, each rule asked once: what comes out is what each table at home would say by itself.</summary>
public class CheckedTogetherTests
{
    private static readonly string[] Lines =
    [
        "300 g cod fillet",
        "100 g rice",
        "2 tbsp mystery paste",
        "200 g celery",
        "4 eggs",
        "50 g walnuts",
        "300 ml whole milk",
        "1 onion",
        "150 g red lentils",
    ];

    private static readonly string[] Followed = ["points", "low-carb", "vegan", "gluten-free", "low-fodmap", "mediterranean"];
    private static readonly string[] Allergens = ["fish", "egg", "milk", "celery", "tree-nut"];

    private static Strand Drawn(Random random)
    {
        var protocols = random.GetItems(Followed, random.Next(3)).Distinct().ToArray();
        var habit = random.Next(3) switch
        {
            0 => 0.75m,
            _ => 1m,
        };
        var settings = EaterSettings.Named(Guid.NewGuid(), "Member", Rhythm.Usual);
        return new(
            new Eater(
                settings.Id,
                "Member",
                new EaterRules(
                    protocols.Select(id => new FollowedProtocol(Data.Protocol(id)!, new Dictionary<string, string>())),
                    [],
                    new([.. random.GetItems(Allergens, random.Next(3)).Distinct()], [], []),
                    Data.HouseScheme,
                    Data.Classes,
                    default
                ),
                settings.Meals,
                Rhythm.Usual,
                habit
            ),
            protocols,
            random.Next(1, 9)
        );
    }

    [Fact]
    public void Many_strands_together_hear_what_each_hears_alone()
    {
        for (var seed = 0; seed < 12; seed++)
        {
            var random = new Random(seed);
            var recipes = Enumerable
                .Range(0, 4)
                .Select(at => Recipe($"Dish {at}", random.Next(1, 5), [.. random.GetItems(Lines, 4).Distinct().Select(line => Line(line))]))
                .ToDictionary(_ => Guid.NewGuid());
            var dishes = recipes.Keys.SelectMany((id, at) => new[] { On(at, id, "lunch"), On(at + 1, id, "supper") }).ToList();
            var menu = new Menu(Guid.NewGuid(), "Week", new(2026, 11, 29), 7, "", dishes);
            var strands = Enumerable.Range(0, 25).Select(_ => Drawn(random)).ToList();
            foreach (var dish in dishes)
            {
                var together = DishCheck.Of(dish, recipes[dish.RecipeVersion], strands);
                var alone = strands.Select(strand => DishCheck.Of(dish, recipes[dish.RecipeVersion], [strand])).ToList();
                foreach (var verdict in Enum.GetValues<Verdict>())
                {
                    Assert.True(
                        together.Members.GetValueOrDefault(verdict) == alone.Sum(one => one.Members.GetValueOrDefault(verdict)),
                        $"seed {seed}, {verdict}"
                    );
                }

                Assert.Equal(Sum(alone.SelectMany(one => one.Reasons)), Sum(together.Reasons));
                // One alone is judged as the table at home judges.
                var made = recipes[dish.RecipeVersion];
                foreach (var (strand, one) in strands.Zip(alone))
                {
                    var home = strand
                        .Eater.Judge(made.Name, made.Profile, dish.Slot)
                        .Where(finding => !finding.NeedsAllowance)
                        .Select(finding => finding.Verdict)
                        .RollUp();
                    Assert.Equal(home, Assert.Single(one.Members).Key);
                }
            }

            var check = new MenuCheck(menu, recipes, [.. Rhythm.Usual.Meals]);
            Assert.Equal(Over(strands.SelectMany(strand => check.Over([strand]))), Over(check.Over(strands)));
        }

        static MenuDish On(int day, Guid recipe, string slot) => new(Guid.NewGuid(), day, slot, recipe);

        static IEnumerable<(Verdict, string, int)> Sum(IEnumerable<CheckReason> reasons) =>
            reasons
                .GroupBy(one => (one.Verdict, one.Because))
                .Select(same => (same.Key.Verdict, same.Key.Because, same.Sum(one => one.Members)))
                .Order();

        static IEnumerable<(Verdict, string, string, int)> Over(IEnumerable<MenuFinding> found) =>
            found
                .GroupBy(one => (one.Verdict, one.Because, Days: string.Join(' ', one.Days)))
                .Select(same => (same.Key.Verdict, same.Key.Because, same.Key.Days, same.Sum(one => one.Members)))
                .Order();
    }
}

using System.Globalization;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Formats.HandOut;

/// <summary>A way in which points are counted.</summary>
/// <param name="Name">Of the protocol that brings it.</param>
public sealed record HandedScheme(string Name, PointsScheme Scheme);

/// <summary>What the dishes and the days of a menu come to, by tier and by what is followed.</summary>
internal sealed class HandedNumbers(HandedMenu menu, IReadOnlyList<HandedScheme> schemes)
{
    private static readonly Measure[] Measures = [Measure.Energy, Measure.Protein, Measure.Fat, Measure.NetCarbohydrate, Measure.Fibre];

    private IEnumerable<string> Heads =>
        [
            .. Measures.Select(measure => MeasureInfo.Of(measure)).Select(info => $"{info.Name}, {info.Unit}"),
            .. schemes.Select(one => schemes.Count == 1 ? "Points" : $"Points ({one.Name})"),
        ];

    /// <summary>One portion of a recipe and of each variant of it, and what the tiers have that have more or less of it.</summary>
    /// <param name="at">The recipe's place.</param>
    public Grid OfRecipe(int at)
    {
        var recipe = menu.Recipes[at].Recipe;
        var dishes = menu.Dishes.Where(dish => dish.Recipe == at).ToList();
        IReadOnlyList<(string Name, RecipeVersion Dish, bool IsEaten)> forms =
        [
            ("", recipe, true),
            .. recipe.Variants.Select(variant =>
                (Named(variant.Name, dishes), recipe.As(variant.Name)!, Followers(variant.Name, dishes).Any())
            ),
        ];
        return new(
            ["", .. Heads],
            [
                .. forms.SelectMany(form =>
                    Sizes(dishes, form.IsEaten)
                        .Select(
                            IReadOnlyList<string> (size) =>
                                [
                                    string.Join(": ", new[] { form.Name, size.Says }.Where(words => words.Length > 0)),
                                    .. Amounts([new Helping(form.Dish.Name, form.Dish.Profile, size.Portions)]),
                                ]
                        )
                ),
            ],
            [0]
        );
    }

    /// <summary>What the dishes of each day come to, once for all who have the same variants.</summary>
    public IEnumerable<Block> OfDays()
    {
        yield return new NewPage();
        yield return new Heading(2, "What the days come to");
        yield return new Paragraph("The dishes of this menu alone; what is eaten besides is not counted.", IsSmall: true);
        var strands = menu
            .Dishes.SelectMany(dish => dish.Variants)
            .Select(one => one.Protocol)
            .Distinct()
            .GroupBy(protocol => string.Join('\n', menu.Dishes.Select(dish => VariantFor(dish, protocol))))
            .ToList();
        foreach (
            var (name, protocol) in strands.Select(same => (string.Join(", ", same.Select(menu.NameOf)), same.First())).Prepend(("", ""))
        )
        {
            if (strands.Count > 0)
            {
                yield return new Heading(3, protocol.Length > 0 ? name : "As written");
            }

            yield return new Grid(
                ["Day", .. menu.Tiers.Count > 0 ? ["Tier"] : Array.Empty<string>(), .. Heads],
                [
                    .. from day in Enumerable.Range(0, menu.Days)
                    from tier in menu.Tiers.Select(one => one.Name).DefaultIfEmpty("")
                    let helpings = Helpings(day, tier, protocol).ToList()
                    where helpings.Count > 0
                    select (IReadOnlyList<string>)
                        [menu.DayOf(day, "ddd d MMM"), .. menu.Tiers.Count > 0 ? [tier] : Array.Empty<string>(), .. Amounts(helpings)],
                ]
            );
        }
    }

    /// <summary>The variant's name with who has it.</summary>
    private string Named(string variant, IReadOnlyList<HandedDish> dishes)
    {
        var who = string.Join(", ", Followers(variant, dishes).Select(menu.NameOf));
        return who.Length == 0 ? variant : $"{variant} ({who})";
    }

    private static IEnumerable<string> Followers(string variant, IReadOnlyList<HandedDish> dishes) =>
        dishes.SelectMany(dish => dish.Variants).Where(one => one.Variant == variant).Select(one => one.Protocol).Distinct();

    /// <summary>One portion, then every other number of portions that a tier has, with those that have it.</summary>
    private IEnumerable<(string Says, decimal Portions)> Sizes(IReadOnlyList<HandedDish> dishes, bool isEaten) =>
        menu
            .Tiers.SelectMany(tier => dishes.Select(dish => (tier, Portions: dish.PortionsOf(tier.Name))))
            .Where(one => isEaten && one.Portions is not (0 or 1))
            .Distinct()
            .GroupBy(one => one.Portions)
            .OrderBy(same => same.Key)
            .Select(same =>
                (
                    $"{HandedMenu.Number(same.Key)} portions for {string.Join(", ", same.Select(one => HandedMenu.Called(one.tier)))}",
                    same.Key
                )
            )
            .Prepend(("one portion", 1m));

    private IEnumerable<Helping> Helpings(int day, string tier, string protocol) =>
        from dish in menu.Dishes
        where dish.Day == day && dish.PortionsOf(tier) > 0
        let recipe = menu.Recipes[dish.Recipe].Recipe
        let made = recipe.As(VariantFor(dish, protocol)) ?? recipe
        select new Helping(made.Name, made.Profile, dish.PortionsOf(tier));

    private static string VariantFor(HandedDish dish, string protocol) =>
        dish.Variants.FirstOrDefault(one => one.Protocol == protocol)?.Variant ?? "";

    private IEnumerable<string> Amounts(IReadOnlyList<Helping> helpings)
    {
        var eaten = new Intake(helpings);
        return
        [
            .. Measures.Select(measure => Said(eaten.Value(measure, schemes[0].Scheme), MeasureInfo.Of(measure).Decimals)),
            .. schemes.Select(one => Said(eaten.Value(Measure.Points, one.Scheme), MeasureInfo.Of(Measure.Points).Decimals)),
        ];
    }

    /// <summary>Of what is not wholly known that much is at least in it.</summary>
    private static string Said(Estimate value, int decimals)
    {
        var shown = Math.Round(value.Best, decimals, MidpointRounding.AwayFromZero).ToString("#,0.#", CultureInfo.InvariantCulture);
        return value.IsOpen ? $"at least {shown}" : shown;
    }
}

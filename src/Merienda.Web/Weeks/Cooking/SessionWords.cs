using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks.Cooking;

/// <summary>What is said of a session beside its steps.</summary>
internal static class SessionWords
{
    /// <summary>"Pulled pork is cooked once for A and C: 12 portions."</summary>
    public static string Shared(CookedDish dish) =>
        dish.IsBase
            ? $"{dish.Recipe.Name} is cooked {(dish.For.Count > 1 ? "once " : "")}for {string.Join(" and ", dish.For)}: {dish.Portions:0.##} portions."
            : $"{dish.Letter} {dish.Recipe.Name} is cooked larger, because {string.Join(" and ", dish.For)} {(dish.For.Count > 1 ? "take" : "takes")} some of it: {dish.Portions:0.##} portions in all.";

    /// <summary>That a step would fill its appliance more often than anybody does.</summary>
    public static string TooManyRounds(ScheduledTask item) =>
        $"“{item.Task.Text}” would take {item.Step.Needed} rounds; {item.Step.Rounds} of them are planned. Cook less, or let the recipe say more pieces a round.";

    /// <summary>"B Rice bowl: 4 as written; 6 Light (300 g cauliflower instead of 450 g rice)."</summary>
    public static string LotsOf(WeekView week, Batch batch)
    {
        var (recipe, isOne) = (week.RecipeOf(batch).Version, batch.Lots.Count == 1);
        return $"{batch.Letter} {recipe.Name}: {string.Join("; ", batch.Lots.Select(Said))}.";

        string Said(Lot lot)
        {
            var many = isOne ? "all" : $"{lot.Portions:0.##}";
            return recipe.Variants.FirstOrDefault(one => one.Name == lot.Variant) is { } variant
                ? $"{many} {variant.Name} ({string.Join(", ", VariantWords.Of(variant, recipe, lot.Portions / recipe.Portions, Mass))})"
                : $"{many} as written";
        }

        string Mass(decimal grams) => HouseholdMass.Show(grams, week.CountsInOunces);
    }

    /// <summary>"something that Ines is allergic to".</summary>
    public static string BoardHad(WeekView week, BoardHad had) =>
        string.Join(
            " and ",
            new[]
            {
                had.Raw ? "raw meat or fish" : "",
                had.For.Count > 0
                    ? $"something that {string.Join(" and ", had.For.Select(eater => week.Eaters[eater].Name))} can’t have"
                    : "",
            }.Where(what => what.Length > 0)
        );

    /// <summary>
    /// An allergy in the kitchen: what holds it comes last on the board, or the board is washed; the other dishes are cooked first, or it
    /// has pan and oil of its own (domain.md section 5).
    /// </summary>
    public static IEnumerable<string> Allergies(
        WeekView week,
        IReadOnlyList<Batch> session,
        SessionQuestion question,
        IReadOnlyList<ScheduledTask> order
    )
    {
        for (var eater = 0; eater < week.Eaters.Count; eater++)
        {
            var (number, rules) = (eater, week.Eaters[eater].Rules);
            var held = session
                .Where(batch =>
                    batch.Lots.Any(lot => rules.HardStop(Intake.Of(new Helping("", week.DishOf(batch, lot).Profile, 1))) is not null)
                )
                .ToList();
            if (held.Count > 0)
            {
                var first = held.Count < session.Count ? "cook the others first, or " : "";
                yield return $"{string.Join(" and ", held.Select(batch => $"{batch.Letter} {week.RecipeOf(batch).Version.Name}"))} "
                    + $"{(held.Count > 1 ? "hold, or may hold," : "holds, or may hold,")} what {week.Eaters[eater].Name} is allergic to: "
                    + (
                        order.Any(item => item.WashesBoard?.For.Contains(number) == true)
                            ? $"wash board and knife where a step says so; {first}use a pan and oil of its own."
                        : question.Works.Any(work => work.StopsFor.Contains(number))
                            ? $"what is cut for it comes last on the board; {first}use a pan and oil of its own."
                        : $"{first}use board, pan and oil of its own."
                    );
            }
        }
    }

    /// <summary>What a step needs and the kitchen does not list; where another appliance of it would do, how long there.</summary>
    public static IEnumerable<string> Unlisted(IReadOnlyList<ScheduledTask> order, SessionKitchen room, Kitchen kitchen) =>
        order
            .Where(item => room.Unlisted.Contains(item.Appliance))
            .GroupBy(item => item.Appliance)
            .Select(of =>
                $"The kitchen lists no {of.Key.InWords()}: a usual one is taken."
                + string.Concat(
                    of.Select(item => (item.Step, Other: ElsewhereOf.Task(item.Task)))
                        .Where(one => one.Other is not null && !room.Unlisted.Contains(one.Other.Appliance) && kitchen.Items.Count > 0)
                        .Select(one =>
                            $" “{one.Step.Task.Text}” takes about {one.Other!.Unattended} min in the {one.Other.Appliance.InWords()} at {one.Other.TemperatureC} °C."
                        )
                )
            );

    /// <summary>What it goes into: as the order has it where it fits, else how it does not.</summary>
    public static VesselFinding? VesselOf(
        ScheduledTask item,
        Kitchen kitchen,
        SessionKitchen room,
        IReadOnlyList<CookedDish> dishes,
        VesselFinding? finding
    ) =>
        finding is { Verdict: not VesselVerdict.Fits } ? finding
        : item.Vessel is { } vessel
            ? new(
                item.Task.Id,
                VesselVerdict.Fits,
                room.Vessels[vessel].Name + (item.VesselAfter is { } after ? $", washed after {dishes[after].Letter}" : "")
            )
        : kitchen.CookerOf(item.Appliance, item.Unit) is { } cooker ? new(item.Task.Id, VesselVerdict.Fits, cooker)
        // What goes on in the same pot is said once.
        : item.Appliance is Appliance.PressureCooker or Appliance.SlowCooker or Appliance.AirFryer or Appliance.Blender ? finding
        : null;
}

using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Recipes;
using Merienda.Core.Sessions;
using Merienda.Storage;
using Merienda.Web.Hosting;

namespace Merienda.Web.Weeks;

/// <summary>Session and Shelf as drawn from the same week.</summary>
public static class WeekPages
{
    public static IReadOnlyList<SessionPage> ToSessions(this WeekView week, Kitchen kitchen, IReadOnlyList<EarlierNote> notes) =>
        [
            .. week
                .CookedForIt.GroupBy(batch => batch.Cooked)
                .OrderBy(session => session.Key)
                .Select(session =>
                {
                    var batches = session.ToDictionary(batch => batch.Letter);
                    var dishes = CookedDish.Of([
                        .. session.Select(batch => new BatchToCook(
                            batch.Letter,
                            week.RecipeOf(batch).VersionId,
                            week.RecipeOf(batch).Version,
                            [.. batch.Lots.Select(lot => new LotToCook(week.DishOf(batch, lot), lot.Portions))]
                        )),
                    ]);
                    var said = week.Plan.Sessions.First(one => one.Date == session.Key);
                    var room = kitchen.ForSession(said.Cooks);
                    var cooked = CookedSession.Of(dishes, room);
                    var order = cooked.Order(SessionPlan.Of(cooked.Question));
                    var end = order.Select(item => item.End).DefaultIfEmpty(0).Max();
                    var vessels = dishes.Select(dish => VesselFit.Of(dish, kitchen)).ToList();
                    var tasks = order
                        .Select(item =>
                            ToTask(
                                week,
                                dishes[item.Dish],
                                item,
                                batches,
                                vessels[item.Dish].FirstOrDefault(finding => finding.Task == item.Task.Id)
                            )
                        )
                        .ToList();
                    return new SessionPage(
                        session.Key,
                        said.Start,
                        said.Cooks,
                        said.Name,
                        week.Plan.StateOf(session.Key, batch => tasks.Any(task => task.IsTicked && task.BatchId == batch.Id)),
                        end,
                        order.Sum(item => item.Task.HandsOn),
                        batches.Count,
                        tasks,
                        [.. dishes.Where(dish => dish.For.Count > 0).Select(Shared)],
                        [.. session.Where(batch => batch.Lots.Any(lot => lot.Variant is not null)).Select(batch => LotsOf(week, batch))],
                        [.. order.Where(item => item.Step is { Round: 1 } step && step.Needed > step.Rounds).Select(TooManyRounds)],
                        [.. Allergies(week, [.. session])],
                        Limit(dishes, cooked, end),
                        [.. Unlisted(order, room)],
                        [.. session.Select(batch => Earlier(week, batch, notes)).OfType<SessionNote>()]
                    );
                }),
        ];

    private static SessionNote? Earlier(WeekView week, Batch batch, IReadOnlyList<EarlierNote> notes) =>
        notes.FirstOrDefault(note =>
            note.RecipeId == week.RecipeOf(batch).RecipeId && note.BatchId != batch.Id && note.CookedOn <= batch.Cooked
        )
            is { } note
            ? new(batch.Letter, week.RecipeOf(batch).Version.Name, note.CookedOn, note.Note)
            : null;

    private static SessionTask ToTask(
        WeekView week,
        CookedDish dish,
        ScheduledTask item,
        Dictionary<string, Batch> batches,
        VesselFinding? vessel
    )
    {
        // What is cooked for several is ticked at the first of them.
        var batch = batches[dish.IsBase ? dish.For[0] : dish.Letter];
        var id = dish.KeyOf(item.Task);
        return new(
            batch.Id,
            dish.Letter,
            dish.Recipe.Name,
            id,
            item.Task.Text,
            item.Start,
            item.HandsOnEnd,
            item.End,
            item.Appliance,
            item.Task.TemperatureC,
            week.IsTaskTicked(batch.Id, id),
            [
                .. item
                    .Step.Takes.Where(take => take.Times > 0)
                    .Select(take => TakenWords.Of(take.Line, take.Times, grams => HouseholdMass.Show(grams, week.CountsInOunces))),
            ],
            item.Step.Round,
            item.Step.Rounds,
            item.WaitedTooLong,
            vessel?.Said,
            vessel?.Verdict,
            week.RemarkOn(batch.Id, id)?.Minutes,
            item.Cook + 1,
            item.Heat is { } heat && heat != item.Task.TemperatureC ? heat : null
        );
    }

    /// <summary>"B Beef shin with swede takes 246 minutes by itself: no order is shorter."</summary>
    private static string Limit(IReadOnlyList<CookedDish> dishes, CookedSession session, int end)
    {
        var bound = SessionBound.Of(session);
        var what =
            bound.Dish is { } dish ? $"{dishes[dish].Letter} {dishes[dish].Recipe.Name} takes {bound.Minutes} min by itself"
            : bound.Appliance is { } appliance ? $"the {NameOf(appliance)} alone is needed for {bound.Minutes} min"
            : $"there is work by hand for {bound.Minutes} min{(session.Question.Cooks > 1 ? " each" : "")}";
        return end == 0 ? ""
            : end == bound.Minutes ? $"{Sentence(what)}: no order is shorter."
            : $"{Sentence(what)}, so no order is shorter than that; this one is good, not proven best.";
    }

    private static string Sentence(string words) => $"{char.ToUpperInvariant(words[0])}{words[1..]}";

    private static IEnumerable<string> Unlisted(IReadOnlyList<ScheduledTask> order, SessionKitchen kitchen) =>
        order
            .Select(item => item.Task.Appliance)
            .Distinct()
            .Where(kitchen.Unlisted.Contains)
            .Select(appliance => $"The kitchen lists no {NameOf(appliance)}: a usual one is taken.");

    private static string NameOf(Appliance appliance) =>
        appliance switch
        {
            Appliance.PressureCooker => "pressure cooker",
            Appliance.SlowCooker => "slow cooker",
            Appliance.AirFryer => "air fryer",
            _ => appliance.ToString().ToLowerInvariant(),
        };

    /// <summary>"Pulled pork is cooked once for A and C: 12 portions."</summary>
    private static string Shared(CookedDish dish) =>
        dish.IsBase
            ? $"{dish.Recipe.Name} is cooked {(dish.For.Count > 1 ? "once " : "")}for {string.Join(" and ", dish.For)}: {dish.Portions:0.##} portions."
            : $"{dish.Letter} {dish.Recipe.Name} is cooked larger, because {string.Join(" and ", dish.For)} {(dish.For.Count > 1 ? "take" : "takes")} some of it: {dish.Portions:0.##} portions in all.";

    /// <summary>"B Rice bowl: 4 as written; 6 Light (300 g cauliflower instead of 450 g rice)."</summary>
    private static string TooManyRounds(ScheduledTask item) =>
        $"“{item.Task.Text}” would take {item.Step.Needed} rounds; {item.Step.Rounds} of them are planned. Cook less, or let the recipe say more pieces a round.";

    private static string LotsOf(WeekView week, Batch batch)
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

    /// <summary>
    /// An allergy in the kitchen: the other dishes are cooked first, or with board, pan and oil of their own (domain.md section 5).
    /// </summary>
    private static IEnumerable<string> Allergies(WeekView week, IReadOnlyList<Batch> session) =>
        week
            .Eaters.Select(eater =>
                (
                    eater.Name,
                    Held: session
                        .Where(batch =>
                            batch.Lots.Any(lot =>
                                eater.Rules.HardStop(Intake.Of(new Helping("", week.DishOf(batch, lot).Profile, 1))) is not null
                            )
                        )
                        .Select(batch => $"{batch.Letter} {week.RecipeOf(batch).Version.Name}")
                        .ToList()
                )
            )
            .Where(found => found.Held.Count > 0)
            .Select(found =>
                $"{found.Name} is allergic to something in {string.Join(" and ", found.Held)}: cook the others first, or these with board, pan and oil of their own."
            );
}

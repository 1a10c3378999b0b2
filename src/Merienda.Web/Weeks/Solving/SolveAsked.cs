using System.Globalization;
using Merienda.Core.Filling;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Storage;

namespace Merienda.Web.Weeks.Solving;

/// <summary>Why a week is not solved as it is asked for.</summary>
internal static class SolveAsked
{
    public static Refusal? Wrong(SolveRequest asked, StoredWeek week) =>
        asked switch
        {
            _ when week.Plan.Start.AddDays(WeekPlan.Days) <= week.Table.Today => new(
                "week-over",
                "week",
                $"{week.Plan.Start:yyyy-MM-dd}",
                "its last day is over",
                "Open the week that is to come"
            ),
            { Eaters: { } eaters } when eaters.FirstOrDefault(id => week.Diner(id) is null) is var nobody && nobody != Guid.Empty =>
                HouseholdStore.EaterGone(nobody),
            { Kind: SolveKind.More or SolveKind.Less, Eaters: not [_] } => new(
                "one-eater",
                "eaters",
                $"{asked.Eaters?.Count ?? 0}",
                "a bite more or less is for one eater",
                "Name one eater"
            ),
            { Goals: { } goals } when goals.Except(FillGoals.Usual).Any() || goals.Distinct().Count() != goals.Count => new(
                "unknown-goal",
                "goals",
                string.Join(", ", goals),
                "one of them can't be chosen, or stands there twice",
                $"Use each of {string.Join(", ", FillGoals.Usual)} once at most"
            ),
            { MostTimes: < 1 or > 14 } => new(
                "dish-times-out-of-range",
                "mostTimes",
                $"{asked.MostTimes}",
                "a dish comes 1 to 14 times a week",
                "Choose a number in that range"
            ),
            { MinutesASession: < 10 or > 600 } => new(
                "session-minutes-out-of-range",
                "minutesASession",
                $"{asked.MinutesASession}",
                "a session has 10 to 600 minutes by hand",
                "Choose a number in that range, or leave it open"
            ),
            _ => null,
        };

    /// <summary>Why there is nothing to seek; null when there is.</summary>
    public static Refusal? Pointless(SolveRequest asked, WeekQuestion week)
    {
        var question = week.For(asked);
        return asked.Kind switch
        {
            SolveKind.Fill or SolveKind.More when question!.Dishes.Count == 0 => new(
                "nothing-to-cook",
                "library",
                "",
                "there is no recipe yet",
                "Add a recipe, or bring some in, under Recipes"
            ),
            SolveKind.Fill when !question!.Open.Any() => new(
                "nothing-open",
                "week",
                Name(week),
                "every meal from the prep has something on it",
                "Take something back first, or say at the Table which meals come from the prep"
            ),
            SolveKind.Mend when !question!.IsMend => new(
                "nothing-planned",
                "week",
                Name(week),
                "no meal that is still to come can be changed",
                "Put portions on meals first, or fill the week"
            ),
            SolveKind.More when question!.Beside.Count == 0 => new(
                "no-bite",
                "week",
                Name(week),
                "no day that is to come has a small meal that something can be added to",
                "Unlock one, or add a small meal at the Table"
            ),
            SolveKind.Less when week.OneLess(asked.Eaters![0], SolveQuestions.ScopeOf(asked)).IsEmpty => new(
                "no-bite",
                "week",
                Name(week),
                $"no day that is to come has a bite of {BiteSteps.Least:0} to {BiteSteps.Most:0} kcal",
                "Make a portion smaller, or mend the week after its allowance is lowered"
            ),
            _ => null,
        };
    }

    private static string Name(WeekQuestion week) => week.Plan.Start.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}

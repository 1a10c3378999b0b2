using Merienda.Core.Foods;
using Merienda.Core.Outcomes;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using static Merienda.Core.Tests.Table;
using HouseholdTable = Merienda.Core.Planning.Table;

namespace Merienda.Core.Tests.Planning;

public class TableEditsTests
{
    private static readonly DateOnly Monday = new(2026, 11, 23);
    private static readonly DateTimeOffset Noon = new(2026, 11, 23, 12, 0, 0, TimeSpan.Zero);

    private static readonly EaterSettings Runa = EaterSettings.Named(Guid.NewGuid(), "Runa", Rhythm.Usual);
    private static readonly EaterSettings Aunt = EaterSettings.Guest(Guid.NewGuid(), "Aunt Isaura", Rhythm.Usual);

    internal static HouseholdTable At(params EaterSettings[] eaters) =>
        new(
            new Household(Guid.NewGuid(), "Brandt", "Europe/Lisbon", "metric", "point", Rhythm.Usual, false),
            eaters,
            Data.Protocols.Select(protocol => new ProtocolEdition(protocol, 1)),
            [],
            new TableKnowledge(Data.Classes, Data.HouseScheme, key => Data.Foods.WithKey(key) is not null),
            Monday
        );

    private static string? Code<T>(Result<T> result) => result.Refusal?.Code;

    private static EaterSettings[] Many(int eaters, int guests) =>
        [
            .. Enumerable.Range(0, eaters).Select(at => EaterSettings.Named(Guid.NewGuid(), $"eater {at}", Rhythm.Usual)),
            .. Enumerable.Range(0, guests).Select(at => EaterSettings.Guest(Guid.NewGuid(), $"guest {at}", Rhythm.Usual)),
        ];

    [Fact]
    public void Six_eaters_and_six_guests_find_room_and_nobody_more()
    {
        var id = Guid.NewGuid();
        var seated = At(Many(5, 6)).Seat(" Noor ", id).Value;
        Assert.Equal((id, "Noor", false), (seated.Id, seated.Name, seated.IsGuest));
        Assert.All(seated.Meals, meal => Assert.All(meal.Pattern, source => Assert.Equal(MealSource.Prep, source)));
        Assert.Equal(1, seated.Meals.Sum(meal => meal.DayShare));

        var guest = At(Many(6, 5)).Seat("Noor", id, isGuest: true).Value;
        Assert.True(guest.IsGuest);
        Assert.All(guest.Meals, meal => Assert.All(meal.Pattern, source => Assert.Equal(MealSource.Nothing, source)));

        var full = At(Many(6, 6));
        Assert.Contains("6 eaters", full.Seat("Noor", id).Refusal!.Reason, StringComparison.Ordinal);
        Assert.Contains("6 guests", full.Seat("Noor", id, isGuest: true).Refusal!.Reason, StringComparison.Ordinal);
        Assert.Equal("too-many-eaters", Code(full.Seat("Noor", id)));
    }

    [Fact]
    public void A_day_is_shown_with_three_measures_at_most_each_once_and_in_their_order()
    {
        Assert.Equal([Measure.Points, Measure.Energy], Runa.Pin(["points", "energy", "points"]).Value.Pinned);
        Assert.Equal(3, Runa.Pin(["points", "energy", "protein"]).Value.Pinned.Count);
        Assert.Equal("too-many-pins", Code(Runa.Pin(["points", "energy", "protein", "fat"])));
        Assert.Equal("unknown-measure", Code(Runa.Pin(["points", "joy"])));
        Assert.Empty(Runa.Pin(["points"]).Value.Pin([]).Value.Pinned);
    }

    [Theory]
    [InlineData(0, "name-length")]
    [InlineData(1, null)]
    [InlineData(40, null)]
    [InlineData(41, "name-length")]
    public void A_name_has_1_to_40_characters(int length, string? code)
    {
        var name = new string('x', length);
        Assert.Equal(code, Code(At().Seat(name, Guid.NewGuid())));
        Assert.Equal(code, Code(At(Runa).Rename(Runa, name)));
    }

    [Fact]
    public void Two_at_a_table_are_never_called_alike_and_who_is_called_so_may_stay()
    {
        var table = At(Runa, Aunt);
        Assert.Equal("name-taken", Code(table.Seat(" Runa", Guid.NewGuid())));
        Assert.Equal("name-taken", Code(table.Rename(Aunt, "Runa")));
        Assert.Equal("name-taken", Code(table.Rename(Runa, $" {Aunt.Name.ToUpperInvariant()}")));
        Assert.Equal("Runa", table.Rename(Runa, "Runa ").Value.Name);
        Assert.Equal("Rune", table.Rename(Runa, "Rune").Value.Name);
    }

    [Fact]
    public void Protocols_are_chosen_from_those_there_are_each_once_and_by_no_guest()
    {
        var table = At(Runa, Aunt);
        Assert.Equal(["vegan", "low-carb"], table.ChooseProtocols(Runa, ["vegan", "low-carb", "vegan"]).Value.Protocols);
        Assert.Empty(table.ChooseProtocols(Runa, []).Value.Protocols);
        Assert.Empty(table.ChooseProtocols(Aunt, []).Value.Protocols);
        Assert.Equal("guest-has-no-rules", Code(table.ChooseProtocols(Aunt, ["vegan"])));
        Assert.Equal(
            ("unknown-protocol", "moon-diet"),
            table.ChooseProtocols(Runa, ["vegan", "moon-diet"]).Refusal is { } no ? (no.Code, no.Value) : default
        );
    }

    [Fact]
    public void A_choice_takes_the_place_of_the_one_before_and_of_no_other()
    {
        var table = At(Runa);
        EaterChoice[] chosen = [new("calories-macros", "energy", "band"), new("vegetarian", "rennet", "in")];
        var eater = chosen.Aggregate(Runa, (one, choice) => table.Choose(one, choice).Value);
        Assert.Equal(chosen, eater.Choices);
        var again = table.Choose(eater, new("calories-macros", "energy", "ceiling")).Value;
        Assert.Equal([chosen[1], new("calories-macros", "energy", "ceiling")], again.Choices);
        Assert.Equal("ceiling", again.ChosenIn("calories-macros")["energy"]);
        Assert.Single(again.ChosenIn("vegetarian"));
        Assert.Equal("unknown-option", Code(table.Choose(eater, new("calories-macros", "energy", "sometimes"))));
        Assert.Equal("unknown-option", Code(table.Choose(eater, new("calories-macros", "mood", "band"))));
        Assert.Equal("unknown-option", Code(table.Choose(eater, new("moon-diet", "energy", "band"))));
    }

    [Fact]
    public void Numbers_of_somebody_else_are_taken_over_where_the_protocol_is_the_same_and_nothing_is_stated()
    {
        var rule = RuleOf("low-carb");
        var dov = EaterSettings.Named(Guid.NewGuid(), "Dov", Rhythm.Usual) with { Protocols = ["low-carb"] };
        StatedAllowance Of(decimal? most, DateOnly from = default) => new("low-carb", rule, null, most, from);
        var runa = Runa with
        {
            Protocols = ["low-carb", "points"],
            Allowances = [Of(25), Of(20, Monday), new("points", "budget", null, 23)],
        };
        var table = At(runa, dov);
        Assert.Equal([Of(25), Of(20, Monday)], table.StateAllowancesAs(dov, runa).Value.Allowances);
        // What is stated stays, with all its stages.
        Assert.Equal("nothing-stated", Code(table.StateAllowancesAs(dov with { Allowances = [Of(40)] }, runa)));
        Assert.Equal("nothing-stated", Code(table.StateAllowancesAs(dov with { Protocols = [] }, runa)));
        Assert.Equal("nothing-stated", Code(table.StateAllowancesAs(runa, dov)));
    }

    [Fact]
    public void What_a_clinical_team_set_for_one_person_is_nobody_elses()
    {
        var (protocol, rule) = At()
            .Protocols.SelectMany(
                edition => edition.Protocol.AllRules.OfType<LimitRule>(),
                (edition, limit) => (edition.Protocol.Id, limit)
            )
            .First(one => one.limit is { Measure: Measure.Energy, Per: Period.Day });
        var dov = EaterSettings.Named(Guid.NewGuid(), "Dov", Rhythm.Usual) with { Protocols = [protocol] };
        EaterSettings With(decimal most) => Runa with { Protocols = [protocol], Allowances = [new(protocol, rule.Id, null, most)] };
        Assert.Equal("nothing-stated", Code(At(dov).StateAllowancesAs(dov, With(700))));
        Assert.Single(At(dov).StateAllowancesAs(dov, With(1400)).Value.Allowances);
    }

    private static StatedAllowance Carbs(decimal? least, decimal? most, DateOnly from = default) =>
        new("low-carb", "net-carbs", least, most, from);

    private static string RuleOf(string protocol) =>
        At().Latest(protocol)!.Protocol.AllRules.OfType<BoundedRule>().First(rule => rule is LimitRule { Per: Period.Day }).Id;

    [Fact]
    public void An_allowance_takes_the_place_of_the_one_from_that_day_and_without_numbers_it_is_taken_back()
    {
        var (table, rule) = (At(Runa), RuleOf("low-carb"));
        StatedAllowance Of(decimal? most, DateOnly from = default) => new("low-carb", rule, null, most, from);
        var eater = table.StateAllowance(Runa, Of(25), false).Value;
        eater = table.StateAllowance(eater, Of(20, Monday), false).Value;
        Assert.Equal([Of(25), Of(20, Monday)], eater.Allowances);
        Assert.Equal([Of(20, Monday), Of(30)], table.StateAllowance(eater, Of(30), false).Value.Allowances);
        Assert.Equal([Of(25)], table.StateAllowance(eater, Of(null, Monday), false).Value.Allowances);
        var floor = new StatedAllowance("low-carb", rule, 5, null);
        Assert.Equal([floor], table.StateAllowance(Runa, floor, false).Value.Allowances);
        Assert.Equal("unknown-rule", Code(table.StateAllowance(Runa, Carbs(null, 20) with { RuleId = "moon" }, false)));
        Assert.Equal("unknown-rule", Code(table.StateAllowance(Runa, Of(20) with { ProtocolId = "moon-diet" }, false)));
    }

    [Fact]
    public void A_number_for_one_week_gives_way_to_what_held_before_it()
    {
        var (table, rule) = (At(Runa), RuleOf("low-carb"));
        StatedAllowance Of(decimal? most, DateOnly from = default) => new("low-carb", rule, null, most, from);
        var (sunday, next) = (Monday.AddDays(6), Monday.AddDays(7));
        var stated = table.StateAllowance(Runa, Of(25), false).Value;
        EaterSettings Loosened(EaterSettings eater) => table.StateAllowance(eater, Of(40, Monday), false, sunday).Value;

        Assert.Equal([Of(25), Of(40, Monday), Of(25, next)], Loosened(stated).Allowances);
        // Done again, what holds afterwards stays.
        Assert.Equal([Of(25), Of(25, next), Of(40, Monday)], Loosened(Loosened(stated)).Allowances);
        // Where nothing was stated, the rule's own number holds again.
        var own = table.Latest("low-carb")!.Protocol.AllRules.OfType<BoundedRule>().First(one => one.Id == rule).AtMost;
        Assert.Equal(own, Loosened(Runa).Allowances[^1].AtMost);
        // What was stated for a later day of the week goes on from there.
        var later = table.StateAllowance(stated, Of(20, Monday.AddDays(3)), false).Value;
        Assert.Equal([Of(25), Of(20, Monday.AddDays(3)), Of(40, Monday)], Loosened(later).Allowances);
        Assert.Equal(
            [Of(25), Of(40, Monday), Of(25, Monday.AddDays(1))],
            table.StateAllowance(stated, Of(40, Monday), false, Monday).Value.Allowances
        );
        Assert.Equal("allowance-over", Code(table.StateAllowance(stated, Of(40, Monday), false, Monday.AddDays(-1))));
    }

    [Theory]
    [InlineData(0, 0, null)]
    [InlineData(99_999, 99_999, null)]
    [InlineData(20, 20, null)]
    [InlineData(21, 20, "floor-above-ceiling")]
    [InlineData(-1, 20, "allowance-out-of-range")]
    [InlineData(100_000, 20, "allowance-out-of-range")]
    [InlineData(0, -1, "allowance-out-of-range")]
    [InlineData(0, 100_000, "allowance-out-of-range")]
    [InlineData(null, -1, "allowance-out-of-range")]
    [InlineData(-1, null, "allowance-out-of-range")]
    public void An_allowance_lies_between_0_and_99999_with_its_floor_below_its_ceiling(int? least, int? most, string? code)
    {
        var refused = At(Runa).StateAllowance(Runa, new("low-carb", RuleOf("low-carb"), least, most), false).Refusal;
        Assert.Equal(code, refused?.Code);
        if (code == "allowance-out-of-range")
        {
            Assert.Equal($"{most ?? least}", refused?.Value);
        }
    }

    [Theory]
    [InlineData(799, false, "clinical-team")]
    [InlineData(799, true, null)]
    [InlineData(800, false, null)]
    public void Below_800_kcal_a_day_only_a_clinical_team_sets_the_number(int most, bool isClinical, string? code)
    {
        Assert.Equal(code, Code(At(Runa).StateAllowance(Runa, new("calories-macros", "energy", null, most), isClinical)));
        // Of anything else than energy a day that is no matter.
        Assert.Null(Code(At(Runa).StateAllowance(Runa, new("calories-macros", "protein", null, most), isClinical)));
    }

    private static EaterMeal[] Day(params decimal[] shares) =>
        [.. Rhythm.Usual.Meals.Zip(shares, (meal, share) => EaterMeal.Daily(meal.Key, share))];

    [Fact]
    public void A_day_is_split_over_each_meal_once_and_into_one_whole()
    {
        var table = At(Runa);
        string? Split(params EaterMeal[] meals) => Code(table.SplitDay(Runa, meals));
        var day = Day(0, 1, 0, 0);
        Assert.Equal(day.Select(meal => meal.Meal), table.SplitDay(Runa, [.. day.Reverse()]).Value.Meals.Select(meal => meal.Meal));
        Assert.Null(Split(Day(0.25m, 0.25m, 0.25m, 0.25m)));
        Assert.Equal("shares-not-whole", Split(Day(0.25m, 0.25m, 0.25m, 0.24m)));
        Assert.Equal("shares-not-whole", Split(Day(0, 1.5m, 0, -0.5m)));
        Assert.Equal("shares-not-whole", Split(Day(0.5m, 0.5m, 0.5m, -0.5m)));
        Assert.Equal("meals-incomplete", Split(day[..3]));
        Assert.Equal("meals-incomplete", Split([day[0], day[0], day[1], day[2]]));
        Assert.Equal("meals-incomplete", Split([.. day, EaterMeal.Daily("brunch", 0)]));
        Assert.Equal("pattern-incomplete", Split([.. day[..3], day[3] with { Pattern = [MealSource.Prep] }]));
    }

    [Fact]
    public void Allergies_name_classes_and_dislikes_classes_or_foods_each_kept_once()
    {
        var table = At(Runa);
        var said = table
            .StatePersonal(
                Runa,
                Runa with
                {
                    Allergies = ["milk", "milk"],
                    Dislikes = ["olive-oil", "fish", "fish"],
                    PortionHabit = 1.25m,
                    CountsTraces = false,
                    TrustsRefinedSoybeanOil = true,
                    Name = "somebody else",
                }
            )
            .Value;
        Assert.Equal(Runa.Name, said.Name);
        Assert.Single(said.Allergies);
        Assert.Equal(["olive-oil", "fish"], said.Dislikes);
        Assert.Equal((1.25m, false, true), (said.PortionHabit, said.CountsTraces, said.TrustsRefinedSoybeanOil));
        Assert.Equal("unknown-class", Code(table.StatePersonal(Runa, Runa with { Allergies = ["milk", "olive-oil"] })));
        Assert.Equal("unknown-food", Code(table.StatePersonal(Runa, Runa with { Dislikes = ["fish", "moonfish"] })));
    }

    [Theory]
    [InlineData(100, null)]
    [InlineData(101, "too-many-dislikes")]
    public void A_hundred_dislikes_are_kept(int many, string? code) =>
        Assert.Equal(
            code,
            Code(At(Runa).StatePersonal(Runa, Runa with { Dislikes = [.. Data.Foods.Foods.Take(many).Select(food => food.Key)] }))
        );

    [Theory]
    [InlineData(0, false)]
    [InlineData(0.2, false)]
    [InlineData(0.25, true)]
    [InlineData(1.1, false)]
    [InlineData(4, true)]
    [InlineData(4.25, false)]
    public void A_usual_portion_is_a_quarter_to_four_in_quarters(double habit, bool isRight) =>
        Assert.Equal(
            isRight ? null : "portion-out-of-range",
            Code(At(Runa).StatePersonal(Runa, Runa with { PortionHabit = (decimal)habit }))
        );

    private static StatedAcceptance Accepted(string what = "ghee", string reason = "read the tin") =>
        new(what, reason, Guid.NewGuid(), Noon);

    [Fact]
    public void Only_an_adult_accepts_a_food_and_a_later_acceptance_takes_the_place_of_the_earlier()
    {
        Assert.Equal("adult-only", Code(Runa.Accept(Accepted(), isAdult: false)));
        var eater = Runa.Accept(Accepted(" ghee "), true).Value.Accept(Accepted("oats"), true).Value;
        Assert.Equal(["ghee", "oats"], eater.Accepted.Select(item => item.What));
        eater = eater.Accept(Accepted("ghee", " read again "), true).Value;
        Assert.Equal([("oats", "read the tin"), ("ghee", "read again")], eater.Accepted.Select(item => (item.What, item.Reason)));
        Assert.Equal(["ghee"], eater.Withdraw("oats").Accepted.Select(item => item.What));
        Assert.Equal(2, eater.Withdraw("rye").Accepted.Count);
    }

    [Theory]
    [InlineData(1, 1, null)]
    [InlineData(300, 200, null)]
    [InlineData(0, 1, "what")]
    [InlineData(301, 1, "what")]
    [InlineData(1, 0, "reason")]
    [InlineData(1, 201, "reason")]
    public void An_acceptance_names_food_and_reason(int what, int reason, string? field)
    {
        var refusal = Runa.Accept(Accepted(new('x', what), new('y', reason)), true).Refusal;
        Assert.Equal((field is null ? null : "acceptance-incomplete", field), (refusal?.Code, refusal?.Field));
        Assert.Equal(
            field switch
            {
                null => null,
                "what" => new('x', what),
                _ => new string('y', reason),
            },
            refusal?.Value
        );
    }

    [Theory]
    [InlineData(0, "reason-length")]
    [InlineData(1, null)]
    [InlineData(200, null)]
    [InlineData(201, "reason-length")]
    public void A_decision_on_a_packet_has_a_reason_of_1_to_200_characters(int length, string? code) =>
        Assert.Equal(code, Code(Runa.Decide(Bought(Printed("Oats, salt")), true, new('x', length), false, Monday)));

    [Fact]
    public void Who_is_allergic_gets_a_packet_only_from_an_adult_and_never_one_that_names_it()
    {
        var allergic = Runa with { Allergies = ["milk"] };
        var (oats, cheese) = (Bought(Printed("Oats, salt")), Bought(Printed("Cheese (milk), salt")));
        Assert.Equal("adult-needed", Code(allergic.Decide(oats, true, "read it", false, Monday)));
        Assert.Equal("packet-names-it", Code(allergic.Decide(cheese, true, "read it", true, Monday)));
        var approved = allergic.Decide(oats, true, " read it ", true, Monday).Value;
        Assert.Equal(new(oats.Key, true, "read it", Monday, "Oats, salt\n"), approved);
        // Nobody needs to be an adult to reject one, and then no ingredients are remembered.
        Assert.Equal(new(cheese.Key, false, "bitter", Monday, ""), allergic.Decide(cheese, false, "bitter", false, Monday).Value);
        Assert.True(Runa.Decide(cheese, true, "read it", false, Monday).Value.IsApproved);
    }
}

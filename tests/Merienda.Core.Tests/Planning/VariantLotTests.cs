using CsCheck;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Core.Quantities;
using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Planning;

/// <summary>A batch that is cooked in variants: lots with parts, weights and eaters of their own.</summary>
public class VariantLotTests
{
    private static readonly DateOnly Sunday = Table.Sunday;
    private static readonly Guid Ilse = Guid.NewGuid();
    private static readonly Guid Bowls = Guid.NewGuid();

    private static Guid IdOf(int id) => new(id, 0, 0, new byte[8]);

    private static RecipeLine Line(string text, int id, string part = "") =>
        RecipeLine.From(new TypedLine(text, part) { Id = IdOf(id) }, Table.Foods, MeasureSystem.Metric);

    /// <summary>For two: per portion 100 g cod, 75 g rice and 50 g feta, 20 g sauce.</summary>
    private static readonly RecipeVersion Dish = new()
    {
        Name = "Bowls",
        Portions = 2,
        Lines = [Line("200 g cod", 1), Line("150 g rice", 2), Line("100 g feta", 3), Line("40 g olive oil", 4, "Sauce")],
        Keeping = KeepingClass.WithKey("cooked-fish")!,
        Variants =
        [
            new("Light") { Lines = [new(IdOf(2), 0.5m)], Parts = [new("Sauce", 0.5m)] },
            new("No sauce") { Parts = [new("Sauce", 0)] },
            new("Tofu") { Added = [new(IdOf(3), Line("120 g tofu", 31))] },
        ],
    };

    private static Batch Cook(decimal portions, params VariantPortions[] variants) =>
        Batch.Make("A", Sunday, portions, variants, Dish, Guid.NewGuid).Value;

    private static WeekPlan Week(Batch batch) => new(Sunday, [batch], [], []);

    private static Cell Cell(int day) => new(Sunday.AddDays(day), "supper", Ilse);

    private static WeekPlan Place(WeekPlan plan, int day, Lot lot, decimal wanted = 1) =>
        plan.Place(plan.Batches[0].Id, Cell(day), wanted, Guid.NewGuid, null, [lot.Id]).Value;

    private static Draw At(WeekPlan plan, int day) => plan.At(Cell(day))!.Draws.Single();

    private static WeekPlan Portion(WeekPlan plan) =>
        plan.Portion(plan.Batches[0].Id, BoxWeek.Kinds, (BoxWeek.Noon, Sunday), Guid.NewGuid).Value;

    [Fact]
    public void What_is_in_no_variant_is_cooked_as_written()
    {
        var batch = Cook(6, new VariantPortions("Light", 2), new("No sauce", 1.5m));
        Assert.Equal([(null, 2.5m), ("Light", 2m), ("No sauce", 1.5m)], batch.Lots.Select(lot => (lot.Variant, lot.Portions)));
        Assert.Equal(["Light"], Cook(2, new VariantPortions("Light", 2)).Lots.Select(lot => lot.Variant));
        Assert.Equal([null], Cook(2, new VariantPortions("Light", 0)).Lots.Select(lot => lot.Variant));
    }

    [Theory]
    [InlineData("Ghost", 1, "unknown-variant", "variants[0].variant")]
    [InlineData("Light", 4.25, "lot-out-of-range", "variants[0].portions")]
    [InlineData("Light", 0.1, "lot-out-of-range", "variants[0].portions")]
    [InlineData("Light", -1, "lot-out-of-range", "variants[0].portions")]
    [InlineData("Light", 4, null, null)]
    public void A_split_that_cannot_be_is_refused(string variant, double portions, string? code, string? field)
    {
        var refusal = Batch.Make("A", Sunday, 4, [new(variant, (decimal)portions)], Dish, Guid.NewGuid).Refusal;
        Assert.Equal((code, field), (refusal?.Code, refusal?.Field));
        var plan = Week(Cook(4));
        Assert.Equal(code, plan.Split(plan.Batches[0].Id, 4, [new(variant, (decimal)portions)], Dish, Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void A_variant_that_stands_there_twice_or_takes_what_another_has_is_refused()
    {
        Assert.Equal(
            "variants[1].variant",
            Batch.Make("A", Sunday, 4, [new("Light", 1), new("Light", 1)], Dish, Guid.NewGuid).Refusal?.Field
        );
        var refusal = Batch.Make("A", Sunday, 4, [new("Light", 3), new("Tofu", 2)], Dish, Guid.NewGuid).Refusal!;
        Assert.Equal(("lot-out-of-range", "variants[1].portions"), (refusal.Code, refusal.Field));
        Assert.Contains("0 to 1 can", refusal.Reason);
        Assert.Equal("portions-out-of-range", Batch.Make("A", Sunday, 0.5m, [], Dish, Guid.NewGuid).Refusal?.Code);
    }

    [Fact]
    public void Lots_weigh_what_their_variants_weigh_and_one_without_a_part_has_none_of_it()
    {
        var batch = Cook(6, new VariantPortions("Light", 2), new("No sauce", 2));
        var (plain, light, bare) = (batch.Lots[0], batch.Lots[1], batch.Lots[2]);
        Assert.Equal(["", "Sauce"], batch.Parts);
        Assert.Equal((245m, 197.5m, 225m), (batch.GramsPerPortion(plain), batch.GramsPerPortion(light), batch.GramsPerPortion(bare)));
        Assert.Equal((20m, 10m, 0m), (batch.GramsOf(plain, "Sauce"), batch.GramsOf(light, "Sauce"), batch.GramsOf(bare, "Sauce")));
        Assert.Equal([""], batch.PartsOf(bare));
        Assert.Equal(60, batch.PlannedOf("Sauce"));
        Assert.Equal([""], Cook(2, new VariantPortions("No sauce", 2)).Parts);
    }

    [Fact]
    public void A_weighed_part_is_shared_as_the_variants_have_it()
    {
        var plan = Portion(Week(Cook(6, new VariantPortions("Light", 2), new("No sauce", 2))));
        plan = plan.Weigh(plan.Batches[0].Id, new("Sauce", 120, 0, "")).Value;
        // Two whole shares and two halves are three: 40 g each whole one.
        Assert.Equal([40m, 40m, 20m, 20m, 0m, 0m], plan.Containers.OrderBy(box => box.Number).Select(box => box.Grams[1]!.Value));
        var batch = plan.Batches[0];
        Assert.Equal([40m, 20m, 0m], batch.Lots.Select(lot => batch.GramsOf(lot, "Sauce")!.Value));
        Assert.Equal(0, plan.Over(batch, batch.Yields[0]));
    }

    [Fact]
    public void Of_a_lot_without_sauce_nobody_gets_sauce_and_no_box_waits_for_it()
    {
        var batch = Cook(3, new VariantPortions("No sauce", 2));
        var plan = Week(batch);
        Assert.Equal([1m, 1m, 1m], plan.BoxesOf(batch).Select(box => box.Portions));
        var sauce = plan.Place(batch.Id, Cell(1), 1, Guid.NewGuid, ["Sauce"]).Value;
        Assert.Equal(batch.Lots[0].Id, At(sauce, 1).Lot);
        var refusal = sauce.Place(batch.Id, Cell(2), 1, Guid.NewGuid, ["Sauce"]).Refusal;
        Assert.Equal("nothing-loose", refusal?.Code);
        // The main part of a dish without sauce is all of it.
        var main = plan.Place(batch.Id, Cell(1), 1, Guid.NewGuid, [""], [batch.Lots[1].Id]).Value;
        Assert.Equal((1m, 1m), (main.Loose(batch, batch.Lots[1]), main.Placed(batch)));
        Assert.Equal(3, main.BoxesOf(batch).Count);
    }

    [Fact]
    public void A_portion_comes_from_the_lots_that_are_allowed_the_first_of_them_first()
    {
        var batch = Cook(4, new VariantPortions("Light", 1), new("Tofu", 1));
        var (plain, light, tofu) = (batch.Lots[0], batch.Lots[1], batch.Lots[2]);
        var plan = Week(batch);
        WeekPlan Next(WeekPlan now, int day) => now.Place(batch.Id, Cell(day), 1, Guid.NewGuid, null, [tofu.Id, light.Id]).Value;
        var two = Next(Next(plan, 1), 2);
        Assert.Equal([tofu.Id, light.Id], new[] { At(two, 1).Lot, At(two, 2).Lot });
        var refusal = two.Place(batch.Id, Cell(3), 1, Guid.NewGuid, null, [tofu.Id, light.Id]).Refusal!;
        Assert.Equal("nothing-loose", refusal.Code);
        Assert.Contains("all 2 portions of it that can stand there", refusal.Reason);
        // So it is of boxes.
        var boxed = Portion(plan);
        Assert.Equal([tofu.Id, light.Id], new[] { At(Next(boxed, 1), 1).Lot, At(Next(Next(boxed, 1), 2), 2).Lot });
        Assert.Equal(
            "nothing-loose",
            Next(Next(boxed, 1), 2).Place(batch.Id, Cell(3), 1, Guid.NewGuid, null, [tofu.Id, light.Id]).Refusal?.Code
        );
        Assert.Equal(plain.Id, At(boxed.Place(batch.Id, Cell(3), 1, Guid.NewGuid, null, [plain.Id]).Value, 3).Lot);
    }

    [Fact]
    public void A_portion_may_be_of_another_variant_as_far_as_it_goes()
    {
        var batch = Cook(3, new VariantPortions("Light", 1), new("No sauce", 1));
        var (plain, light) = (batch.Lots[0], batch.Lots[1]);
        var plan = Place(Week(batch), 1, plain);
        var item = At(plan, 1).Id;
        var changed = plan.ChangeLot(item, plain.Id, light.Id).Value;
        Assert.Equal((light.Id, item), (At(changed, 1).Lot, At(changed, 1).Id));
        Assert.Equal((1m, 0m), (changed.Loose(batch, plain), changed.Loose(batch, light)));
        Assert.Equal("item-changed", changed.ChangeLot(item, plain.Id, light.Id).Refusal?.Code);
        Assert.Equal("lot-gone", plan.ChangeLot(item, plain.Id, Guid.NewGuid()).Refusal?.Code);
        Assert.Equal("item-gone", plan.ChangeLot(Guid.NewGuid(), plain.Id, light.Id).Refusal?.Code);
        Assert.Equal("nothing-loose", Place(plan, 2, light).ChangeLot(item, plain.Id, light.Id).Refusal?.Code);
        Assert.Equal("batch-portioned", Portion(plan).ChangeLot(item, plain.Id, light.Id).Refusal?.Code);
        Assert.Same(plan, plan.ChangeLot(item, plain.Id, plain.Id).Value);
        // Grams of one are other portions of the other.
        var grams = plan.ChangeSize(item, new(1), new(batch.GramsPerPortion(plain)!.Value, true)).Value;
        Assert.Equal("nothing-loose", grams.ChangeLot(item, plain.Id, light.Id).Refusal?.Code);
        // Sauce alone cannot come from a lot without.
        var sauce = Week(batch).Place(batch.Id, Cell(1), 1, Guid.NewGuid, ["Sauce"], [plain.Id]).Value;
        Assert.Equal("nothing-loose", sauce.ChangeLot(At(sauce, 1).Id, plain.Id, batch.Lots[2].Id).Refusal?.Code);
    }

    [Fact]
    public void A_split_keeps_what_is_placed_and_the_lots_that_stay()
    {
        var batch = Cook(4);
        var plan = Place(Week(batch), 1, batch.Lots[0], 2);
        var split = plan.Split(batch.Id, 6, [new("Light", 3)], Dish, Guid.NewGuid).Value;
        Assert.Equal([(null, 3m), ("Light", 3m)], split.Batches[0].Lots.Select(lot => (lot.Variant, lot.Portions)));
        Assert.Equal(batch.Lots[0].Id, split.Batches[0].Lots[0].Id);
        Assert.Equal(4, split.Loose(split.Batches[0]));
        var refusal = plan.Split(batch.Id, 4, [new("Light", 2.25m)], Dish, Guid.NewGuid).Refusal!;
        Assert.Equal("lot-too-small", refusal.Code);
        Assert.Contains("2 portions of A, as written, are already placed", refusal.Reason);
        Assert.Null(plan.Split(batch.Id, 4, [new("Light", 2)], Dish, Guid.NewGuid).Refusal);
        Assert.Equal("batch-gone", plan.Split(Guid.NewGuid(), 4, [], Dish, Guid.NewGuid).Refusal?.Code);
        Assert.Equal("batch-portioned", Portion(plan).Split(batch.Id, 4, [], Dish, Guid.NewGuid).Refusal?.Code);
        Assert.Equal("portions-out-of-range", plan.Split(batch.Id, 61, [], Dish, Guid.NewGuid).Refusal?.Code);
        // All of it back as written: the other lot goes.
        Assert.Single(split.Split(batch.Id, 6, [], Dish, Guid.NewGuid).Value.Batches[0].Lots);
    }

    private static Eater Eater(string? usual, params Rule[] rules) =>
        new(Ilse, "Ilse", new EaterRules(rules, Table.Context()), [], Rhythm.Usual)
        {
            UsualVariants = usual is null ? new Dictionary<Guid, string>() : new() { [Bowls] = usual },
        };

    private static AllergyRule AllergyTo(string group) => new() { Id = "allergy", Classes = [group] };

    private static IEnumerable<string?> LotsFor(Eater eater, Batch batch) =>
        Seating.LotsFor(eater, Bowls, Dish, batch.Lots).Select(id => batch.Lots.Single(lot => lot.Id == id).Variant);

    [Fact]
    public void The_usual_variant_comes_first_then_what_fits_best_then_the_dish_as_written()
    {
        var batch = Cook(4, new VariantPortions("Light", 1), new("Tofu", 1), new("No sauce", 1));
        Assert.Equal([null, "Light", "Tofu", "No sauce"], LotsFor(Eater(null), batch));
        Assert.Equal(["Tofu", null, "Light", "No sauce"], LotsFor(Eater("Tofu"), batch));
        // 75 g of rice hold 58 g of net carbohydrate, half of them 29.
        Assert.Equal(
            ["Light", null, "Tofu", "No sauce"],
            LotsFor(Eater(null, Table.AtMost(Measure.NetCarbohydrate, 40, Period.Portion)), batch)
        );
        Assert.Equal([null, "Light", "Tofu", "No sauce"], LotsFor(Eater("Gone since"), batch));
    }

    [Fact]
    public void A_lot_with_what_an_eater_is_allergic_to_is_not_theirs_whatever_is_usual()
    {
        var batch = Cook(4, new VariantPortions("Light", 1), new("Tofu", 1));
        Assert.Equal(["Tofu"], LotsFor(Eater(null, AllergyTo("dairy")), batch));
        Assert.Equal(["Tofu"], LotsFor(Eater("Light", AllergyTo("dairy")), batch));
        Assert.Empty(LotsFor(Eater(null, AllergyTo("fish")), batch));
    }

    [Fact]
    public void What_is_repeated_stays_in_its_variant_and_never_becomes_one_that_is_forbidden()
    {
        var batch = Cook(6, new VariantPortions("Tofu", 2));
        var (plain, tofu) = (batch.Lots[0], batch.Lots[1]);
        var plan = Place(Week(batch), 1, tofu);
        var free = new Seating((_, _) => null, (_, _) => [plain.Id, tofu.Id]);
        var allergic = new Seating((_, _) => null, (_, _) => [tofu.Id]);
        var once = plan.RepeatDay(Sunday.AddDays(1), Sunday.AddDays(2), free, Guid.NewGuid).Value;
        Assert.Equal(tofu.Id, At(once, 2).Lot);
        // No tofu is left: who may have the other gets that, who may not gets nothing.
        Assert.Equal(plain.Id, At(once.RepeatDay(Sunday.AddDays(1), Sunday.AddDays(3), free, Guid.NewGuid).Value, 3).Lot);
        Assert.Equal("nothing-to-repeat", once.RepeatDay(Sunday.AddDays(1), Sunday.AddDays(3), allergic, Guid.NewGuid).Refusal?.Code);
        var again = Cook(6, new VariantPortions("Tofu", 2)) with { Cooked = Sunday.AddDays(7) };
        var later = new WeekPlan(Sunday.AddDays(7), [again], [], []);
        var seats = new Seating((_, _) => null, (cooked, _) => [.. cooked.Lots.Select(lot => lot.Id)]);
        var (filled, placed, left) = later.FillFrom(plan, new Dictionary<Guid, Guid> { [batch.Id] = again.Id }, seats, Guid.NewGuid);
        Assert.Equal((1, 0), (placed, left));
        Assert.Equal(again.Lots[1].Id, filled.At(Cell(8))!.Draws.Single().Lot);
    }

    [Fact]
    public void Whatever_is_done_each_lot_gives_what_it_has_and_no_more() =>
        Gen.Select(Gen.Int[0, 5], Gen.Int[0, 6], Gen.Int[1, 8])
            .Array[1, 40]
            .Sample(steps =>
            {
                var batch = Cook(6, new VariantPortions("Light", 2), new("No sauce", 2));
                var plan = Week(batch);
                foreach (var (kind, which, quarters) in steps)
                {
                    var now = plan.Batches[0];
                    var lot = now.Lots[which % now.Lots.Count];
                    var one = plan.DrawsOf(now.Id).Select(item => ((Serving, Draw)?)item).ElementAtOrDefault(which);
                    var changed = kind switch
                    {
                        0 => plan.Place(now.Id, Cell(which), quarters / 4m, Guid.NewGuid, null, [lot.Id]),
                        1 => plan.Place(now.Id, Cell(which), quarters / 4m, Guid.NewGuid, [which % 2 == 0 ? "" : "Sauce"]),
                        2 => one is var (_, draw) ? plan.ChangeLot(draw.Id, draw.Lot, lot.Id) : plan,
                        3 => plan.Split(now.Id, 5 + quarters / 4m, [new("Light", quarters / 4m), new("No sauce", 1)], Dish, Guid.NewGuid),
                        4 => plan.Resize(now.Id, quarters),
                        _ => one is var (serving, item) ? plan.Move(item.Id, serving.Cell, null, Guid.NewGuid) : plan,
                    };
                    plan = changed.IsRefused ? plan : changed.Value;
                    now = plan.Batches[0];
                    foreach (var each in now.Lots)
                    {
                        foreach (var part in now.PartsOf(each))
                        {
                            Assert.InRange(plan.Loose(now, each, part), 0, each.Portions);
                        }
                    }

                    Assert.Equal(
                        now.Portions * now.Parts.Count - now.Lots.Sum(each => each.Portions * (now.Parts.Count - now.PartsOf(each).Count)),
                        now.Lots.Sum(each => now.PartsOf(each).Sum(part => plan.Loose(now, each, part)))
                            + plan.DrawsOf(now.Id)
                                .Sum(item =>
                                    plan.PortionsOf(now, item.Draw) * now.PartsOf(now.LotOf(item.Draw)).Count(part => item.Draw.Takes(part))
                                )
                    );
                    // The boxes that it will fill hold all of it, part by part.
                    foreach (var part in now.Parts)
                    {
                        Assert.Equal(
                            now.Lots.Where(each => now.PartsOf(each).Contains(part)).Sum(each => each.Portions),
                            plan.BoxesOf(now)
                                .Where(box => (box.Parts ?? now.PartsOf(box.Lot)).Contains(part) && now.PartsOf(box.Lot).Contains(part))
                                .Sum(box => box.Portions)
                        );
                    }
                }
            });
}

using Merienda.Core.Filling;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Shopping;
using Merienda.Core.Stock;
using Merienda.Storage;

namespace Merienda.Web.Weeks.Solving;

/// <summary>A stored week as a question to solve.</summary>
internal static class SolveQuestions
{
    public static WeekQuestion Of(WeekView week, IReadOnlyList<StoredRecipe> library, Supplies supplies, SolveRequest asked)
    {
        var kitchen = week.Kitchen;
        var foods = FoodsOf(library);
        var usual = FillWishes.Usual;
        var wishes = (
            usual with
            {
                MostTimes = asked.MostTimes ?? usual.MostTimes,
                IsCertainOnly = asked.IsCertainOnly,
                MinutesASession = asked.MinutesASession,
                Goals = asked.Goals ?? usual.Goals,
            }
        ).Within(kitchen);
        return new WeekQuestion(
            week.Plan,
            week.Eaters,
            week.Table.Today,
            [.. Cookable(library, kitchen, wishes), .. Bought(week).Where(dish => asked.WithoutReady?.Contains(dish.Recipe) != true)],
            (batch, lot) => new(week.RecipeOf(batch).RecipeId, lot.Variant, week.DishOf(batch, lot)),
            OnMeals(week),
            wishes
        )
        {
            Due = [.. supplies.Stock.Select(item => DueOf(week, item)).OfType<DueStock>()],
            Packs = [.. foods.Select(food => PackOf(food, supplies.Stock)).OfType<PackedFood>()],
            Prices = PriceBook.Of(supplies.Prices, foods),
        };
    }

    public static IReadOnlyList<OnMeal> OnMeals(WeekView week) =>
        [
            .. week
                .Plated.Where(plated => week.Plan.Holds(plated.Serving.Cell.Date) && plated.Helping is not null)
                .Select(plated => new OnMeal(plated.Serving.Cell, plated.Item, plated.Helping!)),
        ];

    private static IReadOnlyList<Food> FoodsOf(IReadOnlyList<StoredRecipe> library) =>
        [.. library.SelectMany(recipe => recipe.Version.Lines).Select(line => line.Food).OfType<Food>().DistinctBy(food => food.Key)];

    /// <summary>Null for what nobody knows the pack of, and for what keeps once it is opened.</summary>
    private static PackedFood? PackOf(Food food, IReadOnlyList<StockItem> stock) =>
        food.Packet is { PackGrams: > 0 and var grams } packet && (packet.Printed.OpenedDays is not null || food.Keeping is not null)
            ? new(food.Key, food.Name, grams, stock.Where(item => item.Food == food.Key).Sum(item => item.Grams ?? 0))
            : null;

    /// <summary>Null for what has time, is over, or is of no food that a recipe could name.</summary>
    private static DueStock? DueOf(WeekView week, StockItem item)
    {
        var food = item.Food is { } key ? week.FoodWithKey(key) : null;
        return
            food is not null
            && GoBy.Of(item, food.Keeping, food.Packet?.Printed.OpenedDays) is { } goBy
            && goBy.IsDue(week.Table.Today)
            && goBy.Date >= week.Table.Today
            ? new(item.Name, food.Key, goBy.Date)
            : null;
    }

    public static FillScope ScopeOf(SolveRequest asked) => new(asked.Eaters?.ToHashSet(), asked.Days?.ToHashSet());

    /// <summary>What a search is asked; null where nothing has to be sought.</summary>
    public static FillQuestion? For(this WeekQuestion week, SolveRequest asked) =>
        asked.Kind switch
        {
            SolveKind.Fill => week.ToFill(ScopeOf(asked)),
            SolveKind.Mend => week.ToMend(ScopeOf(asked)),
            SolveKind.More => week.OneMore(asked.Eaters![0], ScopeOf(asked)),
            _ => null,
        };

    /// <summary>What is bought and may fill a meal; what nobody can read fills none.</summary>
    public static IEnumerable<FillDish> Bought(WeekView week) =>
        from choice in week.Kitchen.Ready ?? []
        let read = week.ReadyOf(choice.Text)
        where !read.IsRefused
        select FillDish.Of(choice, read.Value);

    /// <summary>Recipes that are eaten as they are: no base that others are made of.</summary>
    public static IEnumerable<StoredRecipe> Dishes(IReadOnlyList<StoredRecipe> library)
    {
        var bases = library.SelectMany(recipe => recipe.Version.Lines).Select(line => line.Use?.Of.Id).OfType<Guid>().ToHashSet();
        return library.Where(recipe => recipe.Version.Meal is not null || !bases.Contains(recipe.RecipeId));
    }

    /// <summary>As written, and in every variant.</summary>
    private static IEnumerable<FillDish> Cookable(IReadOnlyList<StoredRecipe> library, Kitchen kitchen, FillWishes wishes) =>
        from recipe in Dishes(library)
        from variant in recipe.Version.Variants.Select(variant => (string?)variant.Name).Prepend(null)
        let dish = new FillDish(recipe.RecipeId, variant, recipe.Version.As(variant) ?? recipe.Version)
        select dish with
        {
            Most = KitchenRoom.MostOf(dish, kitchen, wishes.MostPortions),
        };
}

namespace Merienda.Web.Weeks;

public sealed record ShopNeed(string Letter, string Tape, string Amount);

/// <summary>A recipe that what is left over could go into.</summary>
/// <param name="Takes">"150 g".</param>
public sealed record ShopUse(Guid RecipeId, string Name, string Takes);

public sealed record NamedFood(string Key, string Name);

/// <summary>Where a thing stands on the list.</summary>
public enum ShopPart
{
    Buy,

    /// <summary>A little of something that most cupboards hold: looked for before it is bought.</summary>
    Look,

    /// <summary>Always there, or enough of it in stock.</summary>
    There,
}

/// <summary>What a tick brings into stock, as the list says it.</summary>
/// <param name="Food">Key of what is bought.</param>
public sealed record ShopBuy(string Food, string Amount, decimal Grams, decimal? Cost);

/// <param name="Food">Key of the food that is bought; null for what is on the list by its words.</param>
/// <param name="For">What recipes call it: "Vegetable stock, made up"; empty where they call it as it is bought.</param>
/// <param name="Needed">"760 g", of all batches.</param>
/// <param name="Buy">Null where nothing has to be bought, or nobody can tell how much.</param>
/// <param name="InStock">What is there: "120 g in the pantry"; empty for nothing.</param>
/// <param name="Notes">What to know at the shelf: who rejected or approved a packet, what goes off before it is cooked.</param>
/// <param name="LeftOver">"120 g" of the packs; empty for nothing worth a word.</param>
/// <param name="Shop">Where it is usually bought; empty where nobody said.</param>
/// <param name="InsteadOf">Keys and names of what recipes name where this is taken instead.</param>
/// <param name="Came">What a tick brought: "2 × 400 g, Quay"; empty for nothing.</param>
public sealed record ShopItem(
    string Key,
    string Name,
    string? Food,
    string For,
    ShopPart Part,
    string Needed,
    ShopBuy? Buy,
    IReadOnlyList<ShopNeed> Batches,
    IReadOnlyList<string> AsTyped,
    bool IsTicked,
    string InStock,
    IReadOnlyList<string> Notes,
    string LeftOver,
    IReadOnlyList<ShopUse> Uses,
    string Shop,
    bool IsStaple,
    IReadOnlyList<NamedFood> InsteadOf,
    string Came
);

public sealed record ShopAisle(string Name, IReadOnlyList<ShopItem> Items);

/// <param name="Batches">How many are cooked then.</param>
public sealed record ShopSession(DateOnly Date, int Batches);

/// <param name="Session">The one whose list it is; null for all of the week.</param>
/// <param name="Ticked">Of what is bought or looked for.</param>
/// <param name="Cost">Of what has a price and is to buy, in the household's money; null where nothing has.</param>
/// <param name="WithoutPrice">Things to buy of which nobody knows the price.</param>
public sealed record ShopPage(
    DateOnly Start,
    DateOnly? Session,
    IReadOnlyList<ShopSession> Sessions,
    IReadOnlyList<ShopAisle> Aisles,
    int Ticked,
    int Total,
    decimal? Cost,
    int WithoutPrice,
    IReadOnlyList<string> Shops
);

/// <param name="Buy">What came into the basket; null where nobody knows how much.</param>
/// <param name="Shop">Where; empty or null where nobody said.</param>
/// <param name="IsMore">Whether it comes on top of what was bought before: more is needed by now.</param>
public sealed record ShopTickRequest(string Key, bool IsTicked, ShopBuy? Buy = null, string? Shop = null, bool? IsMore = null);

/// <param name="Food">Key of what recipes take.</param>
/// <param name="Instead">Key of what is taken instead, or what it is called.</param>
public sealed record TakeInsteadRequest(string Food, string Instead);

public sealed record StapleRequest(string Food, bool IsStaple);

namespace Merienda.Core.Recipes;

/// <summary>A recipe that another one may use some of, as the version that counts.</summary>
public sealed record KnownRecipe(Guid Id, Guid Version, RecipeVersion Of)
{
    /// <summary>What a line's chosen food is called when it is this recipe.</summary>
    public string Key => Cookbook.KeyOf(Id);
}

/// <summary>The recipes that lines may use.</summary>
/// <param name="self">The recipe that the lines are of; null for a new one.</param>
public sealed class Cookbook(IReadOnlyList<KnownRecipe> recipes, Guid? self = null)
{
    private const string Prefix = "recipe:";

    private readonly Dictionary<Guid, KnownRecipe> _byId = recipes.ToDictionary(recipe => recipe.Id);
    private readonly ILookup<string, KnownRecipe> _byName = recipes.ToLookup(recipe => Plain(recipe.Of.Name));

    public static string KeyOf(Guid recipe) => $"{Prefix}{recipe}";

    /// <summary>The recipe that a key says, whether it is in the book or not; null for the key of a food.</summary>
    public static Guid? IdIn(string key) =>
        key.StartsWith(Prefix, StringComparison.Ordinal) && Guid.TryParse(key.AsSpan(Prefix.Length), out var id) ? id : null;

    public KnownRecipe? WithKey(string key) => IdIn(key) is { } id ? _byId.GetValueOrDefault(id) : null;

    /// <summary>The one recipe of that name; null when there is none, or more than one.</summary>
    public KnownRecipe? Named(string words) =>
        Plain(words) is { Length: > 0 } name && _byName[name].Take(2).ToList() is [var one] ? one : null;

    /// <summary>
    /// The recipe that a line's words mean. A dish of a food's name does not take itself for it: in "Pulled pork" the words "300 g pulled
    /// pork" are the food, and "½ of the pulled pork" a ring.
    /// </summary>
    internal KnownRecipe? Meant(UsedAmount words) =>
        Named(words.Name) is { } named && (words.Counted is not null || named.Id != self) ? named : null;

    /// <summary>A name without case, marks and the "s" of a plural.</summary>
    private static string Plain(string name)
    {
        var words = new string([.. name.ToLowerInvariant().Select(letter => char.IsLetterOrDigit(letter) ? letter : ' ')]);
        return string.Join(
            ' ',
            words
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Select(word => word.Length > 3 && word.EndsWith('s') && !word.EndsWith("ss", StringComparison.Ordinal) ? word[..^1] : word)
        );
    }
}

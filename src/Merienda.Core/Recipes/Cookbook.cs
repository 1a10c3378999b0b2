namespace Merienda.Core.Recipes;

/// <summary>A recipe that another one may use some of, as the version that counts.</summary>
public sealed record KnownRecipe(Guid Id, Guid Version, RecipeVersion Of)
{
    /// <summary>What a line's chosen food is called when it is this recipe.</summary>
    public string Key => Cookbook.KeyOf(Id);
}

/// <summary>The recipes that lines may use.</summary>
/// <param name="self">The recipe that the lines are of; null for a new one.</param>
/// <param name="former">Names that recipes had when its lines were saved: a line goes on using what was renamed or put away since.</param>
public sealed class Cookbook(IReadOnlyList<KnownRecipe> recipes, Guid? self = null, IReadOnlyList<(Guid Id, string Name)>? former = null)
{
    private const string Prefix = "recipe:";

    /// <summary>The book with one more recipe in it.</summary>
    public Cookbook With(KnownRecipe recipe) => new([.. recipes.Where(one => one.Id != recipe.Id), recipe], self, former);

    private readonly Dictionary<Guid, KnownRecipe> _byId = recipes.ToDictionary(recipe => recipe.Id);
    private readonly ILookup<string, KnownRecipe> _byName = recipes.ToLookup(recipe => Plain(recipe.Of.Name));

    /// <summary>Ids of the versions of the recipes in it.</summary>
    public IEnumerable<Guid> Versions => recipes.Select(recipe => recipe.Version);

    public static string KeyOf(Guid recipe) => $"{Prefix}{recipe}";

    /// <summary>The recipe that a key says, whether it is in the book or not; null for the key of a food.</summary>
    public static Guid? IdIn(string key) =>
        key.StartsWith(Prefix, StringComparison.Ordinal) && Guid.TryParse(key.AsSpan(Prefix.Length), out var id) ? id : null;

    public KnownRecipe? WithKey(string key) => IdIn(key) is { } id ? _byId.GetValueOrDefault(id) : null;

    /// <summary>
    /// The one recipe of that name, of several the one that is used already, or else the one that was called so; null when there is none, or
    /// more than one.
    /// </summary>
    public KnownRecipe? Named(string words)
    {
        var name = Plain(words);
        var found = name.Length == 0 ? [] : _byName[name].ToList();
        if (found.Count == 0)
        {
            found =
            [
                .. (former ?? [])
                    .Where(one => Plain(one.Name) == name)
                    .Select(one => _byId.GetValueOrDefault(one.Id))
                    .OfType<KnownRecipe>()
                    .Distinct(),
            ];
        }
        else if (found.Count > 1)
        {
            // Of two that are called alike the one that was used goes on being meant.
            found = [.. found.Where(one => (former ?? []).Any(used => used.Id == one.Id && Plain(used.Name) == name))];
        }

        return found is [var one] ? one : null;
    }

    /// <summary>
    /// The recipe that a line's words mean. A dish of a food's name does not take itself for it: in "Pulled pork" the words "300 g pulled
    /// pork" are the food, and "½ of the pulled pork" a ring.
    /// </summary>
    internal KnownRecipe? Meant(UsedAmount words) =>
        Named(words.Name) is { } named && (words.Counted is not null || named.Id != self) ? named : null;

    /// <summary>Holds two names for the same where <see cref="Named"/> would find one by the other.</summary>
    public static IEqualityComparer<string> SameName { get; } =
        EqualityComparer<string>.Create(
            (one, other) => Plain(one!) == Plain(other!),
            name => Plain(name).GetHashCode(StringComparison.Ordinal)
        );

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

namespace Merienda.Core.Quantities;

public enum UnitKind
{
    Mass,
    Volume,

    /// <summary>A piece or handful whose weight depends on the food.</summary>
    Piece,
}

/// <summary>A unit an ingredient is measured in. Factors: domain.md section 7.</summary>
/// <param name="Name">Singular name as shown and stored.</param>
public sealed record Unit(string Name, string Plural, UnitKind Kind, params string[] Spellings)
{
    public static readonly Unit Gram = new("g", "g", UnitKind.Mass, "gram", "grams", "gr", "gramme", "grammes", "gm", "gms");
    public static readonly Unit Kilogram = new("kg", "kg", UnitKind.Mass, "kilogram", "kilograms", "kilo", "kilos", "kgs");
    public static readonly Unit Milligram = new("mg", "mg", UnitKind.Mass, "milligram", "milligrams");
    public static readonly Unit Ounce = new("oz", "oz", UnitKind.Mass, "ounce", "ounces");
    public static readonly Unit Pound = new("lb", "lb", UnitKind.Mass, "lbs", "pound", "pounds");
    public static readonly Unit Millilitre = new(
        "ml",
        "ml",
        UnitKind.Volume,
        "millilitre",
        "millilitres",
        "milliliter",
        "milliliters",
        "cc"
    );
    public static readonly Unit Centilitre = new("cl", "cl", UnitKind.Volume, "centilitre", "centilitres", "centiliter", "centiliters");
    public static readonly Unit Decilitre = new("dl", "dl", UnitKind.Volume, "decilitre", "decilitres", "deciliter", "deciliters");
    public static readonly Unit Litre = new("l", "l", UnitKind.Volume, "litre", "litres", "liter", "liters", "ltr");
    public static readonly Unit FluidOunce = new(
        "fl oz",
        "fl oz",
        UnitKind.Volume,
        "fl. oz",
        "fl. oz.",
        "floz",
        "fluid ounce",
        "fluid ounces"
    );
    public static readonly Unit Cup = new("cup", "cups", UnitKind.Volume, "c");
    public static readonly Unit Tablespoon = new(
        "tbsp",
        "tbsp",
        UnitKind.Volume,
        "tbsps",
        "tablespoon",
        "tablespoons",
        "tablespoonful",
        "tbs",
        "tbl",
        "tblsp",
        "tbspn",
        "tblspn",
        "tbls"
    );
    public static readonly Unit Teaspoon = new(
        "tsp",
        "tsp",
        UnitKind.Volume,
        "tsps",
        "teaspoon",
        "teaspoons",
        "teaspoonful",
        "teaspoonsful",
        "ts"
    );
    public static readonly Unit Dessertspoon = new(
        "dessertspoon",
        "dessertspoons",
        UnitKind.Volume,
        "dsp",
        "dsps",
        "dstsp",
        "dessertspoonful"
    );
    public static readonly Unit Pint = new("pint", "pints", UnitKind.Volume, "pt");
    public static readonly Unit Quart = new("quart", "quarts", UnitKind.Volume, "qt");
    public static readonly Unit Each = new(
        "each",
        "each",
        UnitKind.Piece,
        "piece",
        "pieces",
        "pcs",
        "pc",
        "block",
        "blocks",
        "ball",
        "balls",
        "nest",
        "nests",
        "sheet",
        "sheets",
        "fillet of",
        "loaf",
        "loaves",
        "ear",
        "ears",
        "round",
        "rounds"
    );

    public static readonly IReadOnlyList<Unit> All =
    [
        Gram,
        Kilogram,
        Milligram,
        Ounce,
        Pound,
        Millilitre,
        Centilitre,
        Decilitre,
        Litre,
        FluidOunce,
        Cup,
        Tablespoon,
        Teaspoon,
        Dessertspoon,
        Pint,
        Quart,
        Each,
        Piece("slice", "slices", "rasher", "rashers"),
        Piece("tin", "tins", "can", "cans"),
        Piece("jar", "jars", "bottle", "bottles"),
        Piece(
            "pack",
            "packs",
            "packet",
            "packets",
            "package",
            "packages",
            "pkg",
            "pkgs",
            "pouch",
            "pouches",
            "pot",
            "pots",
            "tub",
            "tubs",
            "carton",
            "cartons",
            "punnet",
            "punnets",
            "sachet",
            "sachets",
            "box",
            "boxes",
            "container",
            "containers",
            "envelope",
            "envelopes",
            "tray",
            "trays"
        ),
        Piece("bag", "bags"),
        Piece("bunch", "bunches"),
        Piece("handful", "handfuls", "handfull", "fistful"),
        Piece("pinch", "pinches", "grating", "gratings", "grind", "grinds", "few grinds"),
        Piece("clove", "cloves"),
        Piece("stick", "sticks", "stalk", "stalks", "rib", "ribs"),
        Piece("sprig", "sprigs"),
        Piece("head", "heads"),
        Piece("bulb", "bulbs"),
        Piece("leaf", "leaves"),
        Piece("thumb", "thumbs"),
        Piece("knob", "knobs", "pat", "pats"),
        Piece("square", "squares"),
        Piece("scoop", "scoops"),
        Piece("bowl", "bowls"),
        Piece("glass", "glasses"),
        Piece("mug", "mugs"),
        Piece("plate", "plates"),
        Piece("zest", "zest"),
        Piece(
            "dash",
            "dashes",
            "splash",
            "splashes",
            "glug",
            "glugs",
            "drizzle",
            "squeeze",
            "squirt",
            "shake",
            "shakes",
            "drop",
            "drops",
            "dollop",
            "dollops",
            "sprinkle",
            "sprinkling"
        ),
    ];

    /// <summary>Packages that hold a stated size: "400 g tin".</summary>
    public bool IsPackage => Name is "tin" or "jar" or "pack" or "bag";

    /// <summary>Judged by eye, not counted: widths of ± 30 % (domain.md section 3).</summary>
    public bool IsByEye => Name is "handful" or "pinch" or "bunch" or "thumb" or "knob" or "dash" or "sprig" or "glass" or "mug" or "plate";

    /// <summary>Grams in one unit of mass; ounce and pound as in domain.md section 7.</summary>
    /// <exception cref="InvalidOperationException">The unit is not one of mass.</exception>
    public Mass Mass =>
        Name switch
        {
            "g" => new(1),
            "kg" => new(1000),
            "mg" => new(0.001m),
            "oz" => new(28.3495m),
            "lb" => new(453.592m),
            _ => throw new InvalidOperationException($"{Name} is not a unit of mass."),
        };

    /// <summary>Millilitres in one unit of volume under a measure system.</summary>
    /// <exception cref="InvalidOperationException">The unit is not one of volume.</exception>
    public Volume VolumeIn(MeasureSystem system) =>
        new(
            Name switch
            {
                "ml" => 1m,
                "cl" => 10m,
                "dl" => 100m,
                "l" => 1000m,
                "fl oz" => system == MeasureSystem.UnitedStates ? 29.574m : 28.413m,
                "cup" => system == MeasureSystem.UnitedStates ? 236.588m : 250m,
                "tbsp" => system switch
                {
                    MeasureSystem.UnitedStates => 14.787m,
                    MeasureSystem.Australia => 20m,
                    _ => 15m,
                },
                "tsp" => system == MeasureSystem.UnitedStates ? 4.929m : 5m,
                // Half way between tea and table: 10 ml in British kitchens [C].
                "dessertspoon" => 10m,
                "pint" => system == MeasureSystem.UnitedStates ? 473.176m : 568.261m,
                "quart" => system == MeasureSystem.UnitedStates ? 946.353m : 1136.523m,
                _ => throw new InvalidOperationException($"{Name} is not a unit of volume."),
            }
        );

    /// <summary>The unit a word spells, or null. Case matters only for T (tablespoon) and t (teaspoon).</summary>
    public static Unit? Spelled(string word)
    {
        var bare = word.TrimEnd('.');
        return bare switch
        {
            "T" => Tablespoon,
            "t" => Teaspoon,
            _ => BySpelling.GetValueOrDefault(bare),
        };
    }

    public bool Equals(Unit? other) => other?.Name == Name;

    public override int GetHashCode() => Name.GetHashCode(StringComparison.Ordinal);

    public override string ToString() => Name;

    private static readonly Dictionary<string, Unit> BySpelling = All.SelectMany(unit =>
            unit.Spellings.Append(unit.Name).Append(unit.Plural).Distinct().Select(spelling => (spelling, unit))
        )
        .ToDictionary(pair => pair.spelling, pair => pair.unit, StringComparer.OrdinalIgnoreCase);

    private static Unit Piece(string name, string plural, params string[] spellings) => new(name, plural, UnitKind.Piece, spellings);
}

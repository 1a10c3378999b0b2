using System.Collections.Frozen;
using System.Security.Cryptography;
using System.Text.Json;
using System.Text.Json.Serialization;
using Dapper;
using Merienda.Core.Foods;
using Merienda.Core.Keeping;
using Npgsql;

namespace Merienda.Storage;

/// <summary>A protocol that ships with the program.</summary>
public sealed record ShippedProtocol(string Id, string Json, int Version = 0);

/// <summary>Every food version that was ever shipped to this database, and the matcher over the latest ones.</summary>
public sealed record FoodCatalogue(FoodMatcher Latest, IReadOnlyDictionary<Guid, Food> Versions, IReadOnlyDictionary<Food, Guid> IdOf);

/// <summary>
/// Loads shipped foods, protocols and schemes into tables as the owner, adding a version where content changed, and reads them back.
/// </summary>
public static class Knowledge
{
    public static async Task LoadAsync(string ownerConnectionString, IEnumerable<Food> foods, IEnumerable<ShippedProtocol> protocols)
    {
        await using var connection = new NpgsqlConnection(ownerConnectionString);
        await connection.OpenAsync();
        await using var transaction = await connection.BeginTransactionAsync();
        // Instances that start together load one after the other.
        await connection.ExecuteAsync("select pg_advisory_xact_lock(@Lock)", new { Lock = Migrator.StartLock });
        var known = (
            await connection.QueryAsync<(string Key, int Version, string Fingerprint)>(
                "select distinct on (food_key) food_key, version, fingerprint from food_version order by food_key, version desc"
            )
        ).ToDictionary(row => row.Key);
        var changed = foods
            .Select(food => (Food: food, Print: Fingerprint(JsonSerializer.Serialize(FoodRow.From(food, Guid.Empty, 0, "")))))
            .Where(item => !known.TryGetValue(item.Food.Key, out var row) || row.Fingerprint != item.Print)
            .Select(item => FoodRow.From(item.Food, Guid.CreateVersion7(), known.GetValueOrDefault(item.Food.Key).Version + 1, item.Print));
        await connection.ExecuteAsync(
            """
            insert into food_version (id, food_key, version, name, synonyms, aisle, label_basis,
                                      energy_kcal, protein_g, fat_g, saturated_fat_g, carbohydrate_g, fibre_g, sugars_g, added_sugars_g,
                                      polyols_g, erythritol_g, allulose_g, alcohol_g, sodium_mg,
                                      measures, density_g_ml, yields, keeping, packs_g, classes, may_hold, fodmaps, source, mark, fingerprint)
            values (@Id, @FoodKey, @Version, @Name, @Synonyms, @Aisle, @LabelBasis,
                    @EnergyKcal, @ProteinG, @FatG, @SaturatedFatG, @CarbohydrateG, @FibreG, @SugarsG, @AddedSugarsG,
                    @PolyolsG, @ErythritolG, @AlluloseG, @AlcoholG, @SodiumMg,
                    @Measures::jsonb, @DensityGMl, @Yields::jsonb, @Keeping, @PacksG, @Classes, @MayHold, @Fodmaps::jsonb, @Source, @Mark, @Fingerprint)
            """,
            changed
        );
        await LoadProtocols(connection, protocols);
        await transaction.CommitAsync();
    }

    public static Task<FoodCatalogue> ReadFoods(
        this Database database,
        FoodClasses classes,
        FoodWords words,
        IReadOnlyList<(string Words, IReadOnlyList<string> Keys)> kinds
    ) =>
        database.Unscoped(async connection =>
        {
            var rows = (
                await connection.QueryAsync<FoodRow>(
                    """
                    select id, food_key, version, name, synonyms, aisle, label_basis,
                           energy_kcal, protein_g, fat_g, saturated_fat_g, carbohydrate_g, fibre_g, sugars_g, added_sugars_g,
                           polyols_g, erythritol_g, allulose_g, alcohol_g, sodium_mg, measures::text as measures, density_g_ml,
                           yields::text as yields, keeping, packs_g, classes, may_hold, fodmaps::text as fodmaps, source, mark, fingerprint
                    from food_version order by food_key, version
                    """
                )
            ).ToList();
            var newest = rows.GroupBy(row => row.FoodKey).ToDictionary(versions => versions.Key, versions => versions.Last());
            var foods = rows.ToDictionary(row => row.Id, row => row.ToFood(newest[row.FoodKey], classes));
            return new FoodCatalogue(
                new FoodMatcher(newest.Values.Select(row => foods[row.Id]), words, kinds),
                foods,
                foods.ToDictionary(pair => pair.Value, pair => pair.Key)
            );
        });

    /// <summary>Every version of every shipped protocol, the latest of each last.</summary>
    public static Task<IReadOnlyList<ShippedProtocol>> ReadProtocols(this Database database) =>
        database.Unscoped<IReadOnlyList<ShippedProtocol>>(async connection =>
            [
                .. await connection.QueryAsync<ShippedProtocol>(
                    "select protocol_id as id, content::text as json, version from protocol_version order by protocol_id, version"
                ),
            ]
        );

    private static async Task LoadProtocols(NpgsqlConnection connection, IEnumerable<ShippedProtocol> protocols)
    {
        foreach (var protocol in protocols)
        {
            var print = Fingerprint(protocol.Json);
            await connection.ExecuteAsync(
                """
                insert into protocol_version (protocol_id, version, content, fingerprint)
                select @Id, coalesce(max(version), 0) + 1, @Json::jsonb, @print from protocol_version where protocol_id = @Id
                having not exists (select 1 from protocol_version latest where latest.protocol_id = @Id and latest.fingerprint = @print
                                   and latest.version = (select max(version) from protocol_version where protocol_id = @Id))
                """,
                new
                {
                    protocol.Id,
                    protocol.Json,
                    print,
                }
            );
        }
    }

    private static string Fingerprint(string text) => Convert.ToHexStringLower(SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(text)));

    private sealed class FoodRow
    {
        public Guid Id { get; init; }

        public string FoodKey { get; init; } = "";

        public int Version { get; init; }

        public string Name { get; init; } = "";

        public string[] Synonyms { get; init; } = [];

        public string Aisle { get; init; } = "";

        public string LabelBasis { get; init; } = "";

        public decimal? EnergyKcal { get; init; }

        public decimal? ProteinG { get; init; }

        public decimal? FatG { get; init; }

        public decimal? SaturatedFatG { get; init; }

        public decimal? CarbohydrateG { get; init; }

        public decimal? FibreG { get; init; }

        public decimal? SugarsG { get; init; }

        public decimal? AddedSugarsG { get; init; }

        public decimal? PolyolsG { get; init; }

        public decimal? ErythritolG { get; init; }

        public decimal? AlcoholG { get; init; }

        public decimal? SodiumMg { get; init; }

        public string Measures { get; init; } = "{}";

        public string[] Classes { get; init; } = [];

        public string[] MayHold { get; init; } = [];

        // Left out of the fingerprint while they are unknown, so that foods without them stay the version they are.
        [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
        public string? Fodmaps { get; init; }

        [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
        public decimal? AlluloseG { get; init; }

        [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
        public decimal? DensityGMl { get; init; }

        [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
        public string? Yields { get; init; }

        [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
        public string? Keeping { get; init; }

        [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
        public decimal[]? PacksG { get; init; }

        public string Source { get; init; } = "";

        public string Mark { get; init; } = "";

        public string Fingerprint { get; init; } = "";

        private static string Json(FrozenDictionary<string, decimal> pairs) =>
            JsonSerializer.Serialize(pairs.OrderBy(pair => pair.Key, StringComparer.Ordinal).ToDictionary());

        public static FoodRow From(Food food, Guid id, int version, string fingerprint) =>
            new()
            {
                Id = id,
                FoodKey = food.Key,
                Version = version,
                Name = food.Name,
                Synonyms = [.. food.Synonyms],
                Aisle = food.Aisle,
                LabelBasis = food.Profile.Basis.ToString(),
                EnergyKcal = food.Profile.Energy,
                ProteinG = food.Profile.Protein,
                FatG = food.Profile.Fat,
                SaturatedFatG = food.Profile.SaturatedFat,
                CarbohydrateG = food.Profile.Carbohydrate,
                FibreG = food.Profile.Fibre,
                SugarsG = food.Profile.Sugars,
                AddedSugarsG = food.Profile.AddedSugars,
                PolyolsG = food.Profile.Polyols,
                ErythritolG = food.Profile.Erythritol,
                AlcoholG = food.Profile.Alcohol,
                SodiumMg = food.Profile.Sodium,
                Measures = Json(food.Measures),
                Classes = [.. food.Tags],
                MayHold = [.. food.MayTags],
                Fodmaps = food.Fodmaps is null ? null : JsonSerializer.Serialize(food.Fodmaps),
                AlluloseG = food.Profile.Allulose,
                DensityGMl = food.Density,
                Yields = food.Yields.Count == 0 ? null : JsonSerializer.Serialize(food.Yields),
                Keeping = food.Keeping?.Key,
                PacksG = food.Packs.Count == 0 ? null : [.. food.Packs],
                Source = food.Source,
                Mark = food.Mark.ToString(),
                Fingerprint = fingerprint,
            };

        /// <param name="newest">The latest version of the food: what it holds and may hold is known better later, whatever it weighed and
        /// counted before.</param>
        public Food ToFood(FoodRow newest, FoodClasses classes) =>
            new()
            {
                Key = FoodKey,
                Name = Name,
                Synonyms = Synonyms,
                Aisle = Aisle,
                Profile = new NutrientProfile
                {
                    Basis = Enum.Parse<LabelBasis>(LabelBasis),
                    Energy = EnergyKcal,
                    Protein = ProteinG,
                    Fat = FatG,
                    SaturatedFat = SaturatedFatG,
                    Carbohydrate = CarbohydrateG,
                    Fibre = FibreG,
                    Sugars = SugarsG,
                    AddedSugars = AddedSugarsG,
                    Polyols = PolyolsG,
                    Erythritol = ErythritolG,
                    Allulose = AlluloseG,
                    Alcohol = AlcoholG,
                    Sodium = SodiumMg,
                },
                Measures = JsonSerializer.Deserialize<Dictionary<string, decimal>>(Measures)!.ToFrozenDictionary(),
                Classes = newest.Classes.SelectMany(classes.Upward).ToFrozenSet(),
                Tags = newest.Classes,
                MayTags = newest.MayHold,
                MayHold = classes.MayHold(newest.Classes, newest.MayHold),
                Fodmaps = Fodmaps is null ? null : JsonSerializer.Deserialize<FodmapProfile>(Fodmaps),
                Density = DensityGMl,
                Yields = Yields is null ? [] : JsonSerializer.Deserialize<List<FoodYield>>(Yields)!,
                Keeping = Keeping is null ? null : KeepingClass.OfFood(Keeping),
                Packs = PacksG ?? [],
                Source = Source,
                Mark = Enum.Parse<SourceMark>(Mark),
            };
    }
}

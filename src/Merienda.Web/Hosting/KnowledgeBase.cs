using System.Text.Json;
using Merienda.Core.Foods;
using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Formats;
using Merienda.Storage;

namespace Merienda.Web.Hosting;

/// <summary>Foods, protocols and schemes as read from the database at start. They change only when a new version of the program ships them.</summary>
public sealed class KnowledgeBase(Database database)
{
    public FoodCatalogue Foods { get; private set; } = new(new FoodMatcher([]), new Dictionary<Guid, Food>(), new Dictionary<Food, Guid>());

    public FoodClasses Classes { get; private set; } = new([]);

    public IReadOnlyList<Protocol> Protocols { get; private set; } = [];

    public IReadOnlyList<PointsScheme> Schemes { get; private set; } = [];

    /// <summary>The scheme shown where no eater's protocol names one.</summary>
    public PointsScheme HouseScheme => Schemes.Single(scheme => scheme.Id == "house-points");

    public async Task Load(FoodClasses classes)
    {
        Classes = classes;
        Foods = await database.ReadFoods(classes);
        Protocols = [.. (await database.ReadProtocols()).Select(json => JsonSerializer.Deserialize<Protocol>(json, DataFiles.Json)!)];
        Schemes = [.. (await database.ReadSchemes()).Select(json => JsonSerializer.Deserialize<PointsScheme>(json, DataFiles.Json)!)];
    }

    /// <summary>The core's eater from what the household stated.</summary>
    public Eater ToEater(EaterSettings settings) => new(
        settings.Id,
        settings.Name,
        EaterRules.Of(
            settings.Protocols.Select(id => Protocols.FirstOrDefault(protocol => protocol.Id == id)).OfType<Protocol>(),
            settings.Allowances.Select(item => new Allowance(item.ProtocolId, item.RuleId, item.AtLeast, item.AtMost)),
            id => Schemes.FirstOrDefault(scheme => scheme.Id == id),
            Classes),
        settings.Meals.ToDictionary(meal => meal.Meal, meal => meal.DayShare),
        settings.Meals.Where(meal => meal.IsFromPrep).Select(meal => meal.Meal).ToHashSet());
}

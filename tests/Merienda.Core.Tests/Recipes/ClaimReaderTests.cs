using Merienda.Core.Recipes;

namespace Merienda.Core.Tests.Recipes;

public class ClaimReaderTests
{
    [Theory]
    [InlineData("420 kcal, protein 41 g, 3 g net carbs; 63 % protein", "Energy 420, Protein 41, NetCarbohydrate 3, ProteinShare 63")]
    [InlineData("Per serving: 420 calories, 41g protein, 32.5g fat, 2.8g carbs", "Energy 420, Protein 41, Fat 32.5, Carbohydrate 2.8")]
    [InlineData(
        "Calories: 420 | Protein: 41g | Fat: 32g (saturated 12 g) | Fiber: 3g",
        "Energy 420, Protein 41, Fat 32, SaturatedFat 12, Fibre 3"
    )]
    [InlineData("1,420 kcal", "Energy 1420")]
    [InlineData("3,5 g fibre", "Fibre 3.5")]
    [InlineData("1757 kJ", "Energy 420")]
    [InlineData("Salt 1.5 g", "Sodium 600")]
    [InlineData("sodium 480mg", "Sodium 480")]
    [InlineData("of which saturates 4 g", "SaturatedFat 4")]
    [InlineData(
        "420kcal, 12g fat (3g saturates), 45g carbs, 30g protein",
        "Energy 420, Fat 12, SaturatedFat 3, Carbohydrate 45, Protein 30"
    )]
    [InlineData("41P 32F 3C", "Protein 41, Fat 32, Carbohydrate 3")]
    [InlineData("35 % protein, 63 % fat and 2 % carbs", "ProteinShare 35, FatShare 63, CarbohydrateShare 2")]
    [InlineData("2 points a portion", "Points 2")]
    [InlineData("Serves 6", "Portions 6")]
    [InlineData("Servings: 4", "Portions 4")]
    [InlineData("Serving size: 300 g", "PortionGrams 300")]
    [InlineData("Total time: 1 h 20", "Minutes 80")]
    [InlineData("ready in 45 min", "Minutes 45")]
    [InlineData("10 min hands-on", "HandsOn 10")]
    [InlineData("keeps 4 days", "FridgeDays 4")]
    [InlineData("good for 2 weeks in the fridge", "FridgeDays 14")]
    [InlineData("350 kcals per portion", "Energy 350")]
    [InlineData("Protein: 30-35 g", "Protein 32.5")]
    [InlineData("1.200 kJ", "Energy 287")]
    [InlineData("1.2 g fibre", "Fibre 1.2")]
    [InlineData("Macros: 30P/20F/10C", "Protein 30, Fat 20, Carbohydrate 10")]
    [InlineData("-5 kcal", "")]
    [InlineData("cholesterol 40 mg, vitamin C 12 mg", "")]
    [InlineData("12 % of the daily fat, 8 % DV carbs", "")]
    [InlineData("delicious and easy", "")]
    [InlineData("999999999 kcal", "")]
    [InlineData("", "")]
    public void What_a_source_says_is_read(string text, string read) =>
        Assert.Equal(read, string.Join(", ", ClaimReader.Read(text).Select(claim => $"{claim.What} {claim.Value:0.##}")));
}

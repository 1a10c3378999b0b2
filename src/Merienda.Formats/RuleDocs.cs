using System.Text;
using System.Text.Json;
using Merienda.Core.Foods;
using Merienda.Core.Protocols;

namespace Merienda.Formats;

/// <summary>docs/rule-kinds.md, made from what the kinds say of themselves.</summary>
public static class RuleDocs
{
    public static string Write(FoodClasses classes)
    {
        var page = new StringBuilder(
            "# Rule kinds\n\nMade from the kinds' own descriptions; a test holds this page to them. How to add one: [adding-a-rule.md](adding-a-rule.md).\n"
        );
        foreach (var kind in RuleKinds.All)
        {
            page.Append(
                $"\n## {kind.Name} (`{kind.Key}`)\n\n{kind.Summary} Example: *{kind.Example.Sentence(classes)}.*\n\n```json\n{JsonSerializer.Serialize(kind.Example, DataFiles.Json)}\n```\n\n| field | holds | unit, range or choices | |\n|---|---|---|---|\n"
            );
            foreach (var field in kind.Fields)
            {
                page.Append(
                    $"| `{field.Key}`{(field.IsRequired ? "" : " (optional)")} | {Holds(field.Type)} | {Range(field)} | {field.Help} |\n"
                );
            }
        }

        return page.ToString();
    }

    private static string Holds(RuleFieldType type) =>
        type switch
        {
            RuleFieldType.Text => "text",
            RuleFieldType.Number => "number",
            RuleFieldType.Share => "share, 0 to 1",
            RuleFieldType.Switch => "true or false",
            RuleFieldType.Choice => "one of",
            RuleFieldType.Choices => "several of",
            RuleFieldType.Classes => "keys of food classes",
            RuleFieldType.ClassesOrFoods => "keys of classes or foods",
            _ => "free foods: `food`, `upTo` (g), `per`",
        };

    private static string Range(RuleField field) =>
        (field.Options, field.Min, field.Max) switch
        {
            ({ } options, _, _) => string.Join(", ", options.Select(option => $"`{option.Key}`")),
            (_, { } least, { } most) =>
                $"{least:0.##} to {most:0.##}{(field.Unit is null or "" ? "" : field.Unit == RuleField.UnitOfMeasure ? ", in the measure's unit" : $" {field.Unit}")}",
            _ => "",
        };
}

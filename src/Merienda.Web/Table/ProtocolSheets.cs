using Merienda.Core.Planning;
using Merienda.Core.Protocols;
using Merienda.Formats;
using Merienda.Web.Hosting;

namespace Merienda.Web.Table;

/// <summary>Draws protocols and rule kinds as the Table shows them.</summary>
public static class ProtocolSheets
{
    public static TableProtocol ToRow(ProtocolEdition edition, Core.Planning.Table table) =>
        new(
            edition.Protocol.Id,
            edition.Protocol.Name,
            edition.Protocol.Summary,
            edition.Protocol.Source,
            edition.Version,
            edition.Own is not null,
            edition.Own?.Origin is { } origin ? table.Latest(origin)?.Protocol.Name : null,
            edition.Protocol.Cautions,
            [.. table.Eaters.Where(eater => eater.Protocols.Contains(edition.Protocol.Id)).Select(eater => eater.Name)]
        );

    public static IReadOnlyList<ProtocolSection> Sections(Protocol protocol, KnowledgeBase knowledge)
    {
        EditedRule Of(Rule rule) => new(rule.Kind.Name, rule.Sentence(knowledge.Classes));
        return
        [
            .. protocol
                .Choices.SelectMany(choice =>
                    choice.Options.Select(option => new ProtocolSection(choice.Name, option.Name, [.. option.Rules.Select(Of)]))
                )
                .Prepend(new(null, null, [.. protocol.Rules.Select(Of)])),
        ];
    }

    public static KindList Kinds { get; } =
        new(
            [
                .. RuleKinds.All.Select(kind => new KindSheet(
                    kind.Key,
                    kind.Name,
                    kind.Summary,
                    kind.Pattern,
                    [
                        .. kind.Fields.Select(field => new KindField(
                            field.Key,
                            field.Label,
                            field.Type,
                            field.Help,
                            field.IsRequired,
                            field.Unit,
                            field.Min,
                            field.Max,
                            field.Options
                        )),
                    ],
                    System.Text.Json.JsonSerializer.Serialize(kind.Example, DataFiles.Json)
                )),
            ],
            [.. Core.Foods.MeasureInfo.All.Select(info => new MeasureSheet(info.Key, info.Name, info.Unit))]
        );
}

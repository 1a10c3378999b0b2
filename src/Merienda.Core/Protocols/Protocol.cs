using System.Text.Json.Serialization;

namespace Merienda.Core.Protocols;

/// <summary>A diet protocol: its rules as data, with the cautions that go with it.</summary>
/// <param name="Summary">One sentence for the person who chooses.</param>
/// <param name="Source">Where the rules come from, with its mark [M] or [C].</param>
/// <param name="Rules">Rules that hold whatever is chosen.</param>
/// <param name="Choices">Where schools differ: each eater takes one option, the first unless another is chosen.</param>
/// <param name="Scheme">How points are counted; null for a protocol without points.</param>
/// <param name="Phases">A restriction that ends, and what is tried afterwards; null for a protocol without phases.</param>
/// <param name="Cautions">Medical cautions (domain.md section 10), shown when it is chosen.</param>
public sealed record Protocol(
    string Id,
    string Name,
    string Summary,
    string Source,
    IReadOnlyList<Rule> Rules,
    IReadOnlyList<ProtocolChoice> Choices,
    PointsScheme? Scheme,
    PhaseSchedule? Phases,
    IReadOnlyList<string> Cautions
)
{
    /// <summary>Every rule that some choice brings, each once.</summary>
    [JsonIgnore]
    public IEnumerable<Rule> AllRules => Rules.Concat(Choices.SelectMany(choice => choice.Options).SelectMany(option => option.Rules));

    /// <summary>The rules that hold with these options chosen, by choice id.</summary>
    public IEnumerable<Rule> RulesWith(IReadOnlyDictionary<string, string> chosen) =>
        Rules.Concat(Choices.SelectMany(choice => choice.OptionOf(chosen).Rules));
}

/// <summary>A point on which schools differ, or that a household decides.</summary>
public sealed record ProtocolChoice(string Id, string Name, IReadOnlyList<ProtocolOption> Options)
{
    /// <summary>The default is the first.</summary>
    public ProtocolOption OptionOf(IReadOnlyDictionary<string, string> chosen) =>
        Options.FirstOrDefault(option => option.Id == chosen.GetValueOrDefault(Id)) ?? Options[0];
}

public sealed record ProtocolOption(string Id, string Name, IReadOnlyList<Rule> Rules);

/// <summary>What an eater stated for one rule of one protocol, in the rule's unit.</summary>
/// <param name="From">First local date it holds on: a clinic's sheet has a number for each stage.</param>
public sealed record Allowance(string Protocol, string Rule, decimal? AtLeast, decimal? AtMost, DateOnly From = default);

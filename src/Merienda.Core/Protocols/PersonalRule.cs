using System.Text.Json.Serialization;

namespace Merienda.Core.Protocols;

/// <summary>What is stated with the eater, not in a protocol: no kind that a file can hold. It judges whatever is eaten, a portion at a time.</summary>
public abstract record PersonalRule : Rule
{
    [JsonIgnore]
    public sealed override RuleKind Kind => throw new NotSupportedException($"{Title}: stated with the eater, not in a protocol.");

    [JsonIgnore]
    public sealed override Period Period => Period.Portion;

    public sealed override Finding CheckPortion(Intake portion, decimal? mealShare, RuleContext context) => Check(portion, context);
}

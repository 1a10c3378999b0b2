using Merienda.Core.Outcomes;
using Merienda.Core.Protocols;

namespace Merienda.Core.Planning;

/// <summary>Phases and notes of a trial, and the household's own protocols.</summary>
public static class ProtocolEdits
{
    /// <summary>Puts a protocol's phases on the calendar; outcomes that were noted before stay.</summary>
    public static Result<EaterSettings> PlanPhases(
        this Table table,
        EaterSettings eater,
        string protocol,
        DateOnly start,
        DateOnly restrictionEnds,
        IReadOnlyList<string> order
    )
    {
        if (table.Latest(protocol)?.Protocol.Phases is not { } schedule)
        {
            return new Refusal("no-phases", "protocol", protocol, "this protocol has no phases", "Choose one that has");
        }

        var outcomes = eater.PlanOf(protocol)?.Outcomes ?? new Dictionary<string, ChallengeOutcome>();
        return
            ProtocolCheck.WrongPlan(new(protocol, start, restrictionEnds, order, new Dictionary<string, ChallengeOutcome>()), schedule)
                is { } refusal
            ? refusal
            : eater with
            {
                Phases =
                [
                    .. eater.Phases.Where(phase => phase.ProtocolId != protocol),
                    new(protocol, start, restrictionEnds, [.. order.Select(id => new StatedChallenge(id, outcomes.GetValueOrDefault(id)))]),
                ],
            };
    }

    public static Result<EaterSettings> NoteOutcome(
        this EaterSettings eater,
        string protocol,
        string challenge,
        ChallengeOutcome outcome
    ) =>
        eater.PlanOf(protocol)?.Order.Contains(challenge) != true
            ? new Refusal("unknown-challenge", "challenge", challenge, "the plan has no such challenge", "Plan the phases first")
            : eater with
            {
                Phases =
                [
                    .. eater.Phases.Select(phase =>
                        phase.ProtocolId != protocol
                            ? phase
                            : phase with
                            {
                                Challenges =
                                [
                                    .. phase.Challenges.Select(item =>
                                        item.ChallengeId == challenge ? item with { Outcome = outcome } : item
                                    ),
                                ],
                            }
                    ),
                ],
            };

    /// <summary>A note of the diary: what is wrong with it, or null.</summary>
    public static Refusal? WrongNote(this Table table, DateOnly notedOn, string text) =>
        notedOn > table.Today
            ? new("diary-ahead", "notedOn", $"{notedOn:yyyy-MM-dd}", "a diary does not look ahead", "Choose today or an earlier day")
        : text.Trim().Length is 0 or > 500 ? new("diary-length", "text", text, "an entry has 1 to 500 characters", "Write a sentence")
        : null;

    /// <summary>An eater who follows a copy instead keeps everything that was stated for the original.</summary>
    public static EaterSettings MoveOver(this EaterSettings eater, string from, string to) =>
        eater with
        {
            Protocols = [.. eater.Protocols.Select(id => id == from ? to : id)],
            Allowances = [.. eater.Allowances.Select(item => item.ProtocolId == from ? item with { ProtocolId = to } : item)],
            Choices = [.. eater.Choices.Select(item => item.ProtocolId == from ? item with { ProtocolId = to } : item)],
            Phases = [.. eater.Phases.Select(item => item.ProtocolId == from ? item with { ProtocolId = to } : item)],
        };

    /// <summary>A name for a new protocol, or for the one with this id.</summary>
    public static Refusal? WrongProtocolName(this Table table, string name, string? self) =>
        name.Trim().Length is 0 or > 80 ? new("name-length", "name", name, "a protocol's name has 1 to 80 characters", "Type a short name")
        : table.Protocols.Any(edition =>
            edition.Protocol.Id != self
            && edition.Own?.IsArchived != true
            && edition.Protocol.Name.Equals(name.Trim(), StringComparison.OrdinalIgnoreCase)
        )
            ? new("name-taken", "name", name, "there is a protocol of this name", "Add what is different about yours")
        : null;

    /// <summary>An id of the household's own for a protocol of this name that no other protocol has.</summary>
    /// <param name="coming">Ids of those that come in with it.</param>
    public static string OwnProtocolId(this Table table, string name, IReadOnlyCollection<string> coming)
    {
        var letters = new string([.. name.ToLowerInvariant().Select(letter => char.IsAsciiLetterOrDigit(letter) ? letter : '-')]);
        var slug = string.Join('-', letters.Split('-', StringSplitOptions.RemoveEmptyEntries));
        var plain = $"own-{(slug.Length == 0 ? "protocol" : slug[..Math.Min(slug.Length, 44)].Trim('-'))}";
        return Enumerable
            .Range(1, int.MaxValue)
            .Select(number => number == 1 ? plain : $"{plain}-{number}")
            .First(id => table.Latest(id) is null && !coming.Contains(id));
    }
}

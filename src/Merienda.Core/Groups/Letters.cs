using System.Text;

namespace Merienda.Core.Groups;

/// <summary>A mail as somebody reads it; its link stands in the body as <see cref="Letters.Link"/>.</summary>
public sealed record Letter(string Subject, string Body);

/// <param name="Changed">What a correction says of itself; empty for a menu that is new.</param>
/// <param name="Brings">Names of what comes with it and is new in the group, or another one since.</param>
public sealed record MenuNews(string Menu, string Changed, IReadOnlyList<string> Brings);

public sealed record AnswerNews(string Question, string Answer);

/// <param name="Reply">What the desk says; empty where it was taken up.</param>
public sealed record BroughtNews(string Recipe, SubmissionState State, string Reply);

/// <summary>What is new for a member in one group.</summary>
public sealed record GroupNews(
    string Group,
    IReadOnlyList<MenuNews> Menus,
    IReadOnlyList<AnswerNews> Answers,
    IReadOnlyList<BroughtNews> Brought
)
{
    public bool IsEmpty => Menus.Count + Answers.Count + Brought.Count == 0;
}

/// <summary>The mails that a group's people get, in plain words.</summary>
public static class Letters
{
    public const string Link = "{link}";

    /// <summary>At most one mail of what is new in so long.</summary>
    public static readonly TimeSpan DigestEvery = TimeSpan.FromDays(1);

    private const int LongestQuote = 300,
        MostNamed = 6;

    public static Letter Invitation(string group, string from, int days) =>
        new(
            $"{group}: you are asked to join",
            $"""
            {from} asks you to join {group}, who plan the week’s meals together.

            This link is for you alone, once, within {days} days:
            {Link}

            If you expected nothing of the kind, do nothing. No other mail comes.
            """
        );

    /// <summary>What is new since the last mail; null where nothing is.</summary>
    public static Letter? Digest(IReadOnlyList<GroupNews> groups)
    {
        var news = groups.Where(group => !group.IsEmpty).ToList();
        if (news.Count == 0)
        {
            return null;
        }

        var body = new StringBuilder();
        foreach (var group in news)
        {
            body.Append(group.Group).Append("\n\n");
            foreach (var line in Lines(group))
            {
                body.Append("– ").Append(line).Append('\n');
            }

            body.Append('\n');
        }

        body.Append("Such a mail comes at most once a day. This link ends them:\n").Append(Link).Append('\n');
        return new(news.Count == 1 ? $"New at {news[0].Group}" : $"New in {news.Count} of your groups", body.ToString());
    }

    private static IEnumerable<string> Lines(GroupNews group) =>
        [
            .. group.Menus.Select(menu =>
                (menu.Changed == "" ? $"The menu “{menu.Menu}” is there." : $"The menu “{menu.Menu}” was corrected: {Short(menu.Changed)}")
                + Brought(menu.Brings)
            ),
            .. group.Answers.Select(one => $"You asked: “{Short(one.Question)}” The answer: {Short(one.Answer)}"),
            .. group.Brought.Select(one =>
                one.State switch
                {
                    SubmissionState.TakenUp => $"“{one.Recipe}” is in the group’s library now.",
                    SubmissionState.AskedBack => $"“{one.Recipe}”: the desk asks: {Short(one.Reply)}",
                    _ => $"“{one.Recipe}” was not taken: {Short(one.Reply)}",
                }
            ),
        ];

    private static string Brought(IReadOnlyList<string> names) =>
        names.Count == 0
            ? ""
            : $" New with it, to take over: {string.Join("; ", names.Take(MostNamed).Select(Short))}{(names.Count > MostNamed ? $"; and {names.Count - MostNamed} more" : "")}.";

    private static string Short(string words)
    {
        var row = string.Join(' ', words.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        return row.Length > LongestQuote ? $"{row[..LongestQuote]}…" : row;
    }
}

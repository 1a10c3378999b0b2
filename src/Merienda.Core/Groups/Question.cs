using System.Text.RegularExpressions;
using Merienda.Core.Outcomes;

namespace Merienda.Core.Groups;

/// <summary>What members ask of a group's menu, a day or a dish of it, or in general.</summary>
/// <param name="Answer">Empty while nobody answered.</param>
/// <param name="IsHidden">Seen by the desk and by who asked, and by nobody else.</param>
public sealed record Question(Guid Id, string Words, string Answer, bool IsPinned, bool IsHidden)
{
    public const int MostWords = 1000,
        MostAnswer = 2000,
        MostWhy = 300;

    /// <summary>Most questions that wait for an answer from one member.</summary>
    public const int MostOpen = 20;

    public static Result<Question> Asked(Guid id, string words) =>
        words.Trim().Length is 0 or > MostWords
            ? new Refusal("question-words", "words", words, $"a question has 1 to {MostWords} characters", "Ask in a sentence or two")
            : new Question(id, words.Trim(), "", false, false);

    /// <summary>What the desk makes of it. One that is pinned has an answer and is seen.</summary>
    public Result<Question> Answered(string answer, bool isPinned, bool isHidden) =>
        answer.Trim().Length > MostAnswer
            ? new Refusal("question-answer", "answer", answer, $"an answer has at most {MostAnswer} characters", "Say it in fewer words")
        : isPinned && (isHidden || answer.Trim().Length == 0)
            ? new Refusal("question-pinned", "isPinned", "true", "only what is answered and seen is pinned", "Answer it first, and show it")
        : this with { Answer = answer.Trim(), IsPinned = isPinned, IsHidden = isHidden };

    public static Refusal? WrongWhy(string why) =>
        why.Trim().Length is 0 or > MostWhy
            ? new("question-report", "why", why, $"a report says why in 1 to {MostWhy} characters", "Say what is wrong with it")
            : null;
}

/// <summary>What a question is about; empty parts are about nothing in particular.</summary>
/// <param name="Day">Days after the menu begins.</param>
/// <param name="Dish">Name of the dish.</param>
public sealed record QuestionAbout(Guid? Menu, int? Day, string Dish)
{
    public const int LongestDish = 120;

    /// <summary>Why nothing can be about it; null when something can.</summary>
    /// <param name="days">Of the menu; null where there is no such menu to read.</param>
    public Refusal? Wrong(int? days) =>
        Menu is { } menu && days is null ? new("question-about", "menu", $"{menu}", "there is no such menu", "Choose one of the list")
        : Day is { } day && (days is null || day < 0 || day >= days)
            ? new("question-about", "day", $"{day}", $"the menu has {days ?? 0} days, counted from 0", "Choose one of its days")
        : Dish.Length > LongestDish
            ? new("question-about", "dish", Dish, $"a dish has a name of at most {LongestDish} characters", "Choose one of the menu")
        : null;
}

/// <summary>Finds what was asked before: by the words that few of the questions have.</summary>
public static partial class QuestionSearch
{
    /// <summary>Words that say nothing of what is asked.</summary>
    private const string Empty =
        " a an and any are at be by can could do does for from has have how i if in instead is it its make may me my of on one or please should so "
        + "than that the their them there they this to us use was we what when where which who why will with would you your ";

    /// <summary>Share of the weight of what is asked, below which two questions are not alike.</summary>
    private const double Alike = 0.34;

    /// <summary>The questions that are like the words, the most alike first.</summary>
    /// <param name="textOf">What of a question is searched, its answer too.</param>
    public static IReadOnlyList<T> Like<T>(string words, IReadOnlyList<T> questions, Func<T, string> textOf)
    {
        var asked = Meant(words);
        if (asked.Count == 0)
        {
            return [];
        }

        var texts = questions.Select(question => (Question: question, Words: Meant(textOf(question)))).ToList();
        // What every question says tells none from another.
        double WeightOf(string word) => Math.Log(1 + ((double)texts.Count / Math.Max(1, texts.Count(text => text.Words.Contains(word)))));
        var all = asked.Sum(WeightOf);
        return
        [
            .. texts
                .Select(text => (text.Question, Share: asked.Where(text.Words.Contains).Sum(WeightOf) / all))
                .Where(found => found.Share >= Alike)
                .OrderByDescending(found => found.Share)
                .Select(found => found.Question),
        ];
    }

    private static HashSet<string> Meant(string text) =>
        [
            .. Word()
                .Matches(text.ToLowerInvariant())
                .Select(match => match.Value)
                .Where(word => !Empty.Contains($" {word} ", StringComparison.Ordinal))
                .Select(Stem),
        ];

    /// <summary>A word without the ends of its forms: "freezing", "freezes" and "freeze" are one.</summary>
    private static string Stem(string word)
    {
        foreach (var end in new[] { "ing", "ed", "es", "s", "e" })
        {
            if (word.Length > end.Length + 3 && word.EndsWith(end, StringComparison.Ordinal))
            {
                return word[..^end.Length];
            }
        }

        return word;
    }

    [GeneratedRegex(@"[\p{L}\p{N}]{2,}")]
    private static partial Regex Word();
}

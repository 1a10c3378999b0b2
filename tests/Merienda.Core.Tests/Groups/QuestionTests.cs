using Merienda.Core.Groups;

namespace Merienda.Core.Tests.Groups;

/// <summary>Questions of members, and those that were asked before.</summary>
public class QuestionTests
{
    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(1000, true)]
    [InlineData(1001, false)]
    public void A_question_has_words(int length, bool isTaken) =>
        Assert.Equal(isTaken, !Question.Asked(Guid.NewGuid(), $"  {new string('x', length)} ").IsRefused);

    [Fact]
    public void Only_what_is_answered_and_seen_is_pinned()
    {
        var asked = Question.Asked(Guid.NewGuid(), "Does it freeze?").Value;
        Assert.Equal("question-pinned", asked.Answered("", isPinned: true, isHidden: false).Refusal?.Code);
        Assert.Equal("question-pinned", asked.Answered("Yes", isPinned: true, isHidden: true).Refusal?.Code);
        var answered = asked.Answered(" Yes ", isPinned: true, isHidden: false).Value;
        Assert.Equal(("Yes", true, false), (answered.Answer, answered.IsPinned, answered.IsHidden));
        // An answer may go again, and a question be hidden without one.
        Assert.True(answered.Answered("", isPinned: false, isHidden: true).Value is { Answer: "", IsHidden: true });
    }

    [Theory]
    [InlineData(2000, true)]
    [InlineData(2001, false)]
    public void An_answer_has_a_bound(int length, bool isTaken) =>
        Assert.Equal(isTaken, !new Question(Guid.NewGuid(), "?", "", false, false).Answered(new('x', length), false, false).IsRefused);

    [Theory]
    [InlineData(0, false)]
    [InlineData(1, true)]
    [InlineData(300, true)]
    [InlineData(301, false)]
    public void A_report_says_why(int length, bool isTaken) => Assert.Equal(isTaken, Question.WrongWhy(new('x', length)) is null);

    [Fact]
    public void It_is_about_a_menu_that_is_there_a_day_of_it_and_a_dish_by_its_name()
    {
        var menu = Guid.NewGuid();
        Assert.Null(new QuestionAbout(null, null, "").Wrong(null));
        Assert.Null(new QuestionAbout(menu, 0, "Cod").Wrong(7));
        Assert.Null(new QuestionAbout(menu, 6, new('x', 120)).Wrong(7));
        Assert.Equal("menu", new QuestionAbout(menu, null, "").Wrong(null)?.Field);
        Assert.Equal(["day", "day", "day"], new[] { (int?)-1, 7, 99 }.Select(day => new QuestionAbout(menu, day, "").Wrong(7)?.Field));
        Assert.Equal("day", new QuestionAbout(null, 0, "").Wrong(null)?.Field);
        Assert.Equal("dish", new QuestionAbout(menu, 0, new('x', 121)).Wrong(7)?.Field);
    }

    private static readonly string[] Asked =
    [
        "Can the beef shin be frozen in single portions?",
        "Which drink instead of milk keeps the porridge as thick?",
        "I only have one oven rack. What do I cook first on Saturday?",
        "Does the mackerel plate keep until Thursday?",
    ];

    [Theory]
    [InlineData("freezing the shin?", 0)]
    [InlineData("is it okay to freeze beef shin portions", 0)]
    [InlineData("porridge without milk", 1)]
    [InlineData("my oven has a single rack", 2)]
    [InlineData("how long does the mackerel keep", 3)]
    public void What_was_asked_in_other_words_is_found(string words, int found) =>
        Assert.Equal(Asked[found], QuestionSearch.Like(words, Asked, one => one)[0]);

    [Theory]
    [InlineData("")]
    [InlineData("what is it and why")]
    [InlineData("Are there vegan variants of the lentil soup?")]
    public void Words_that_nobody_used_find_nothing(string words) => Assert.Empty(QuestionSearch.Like(words, Asked, one => one));
}

using Merienda.Core.Groups;

namespace Merienda.Core.Tests.Groups;

public class LettersTests
{
    private static GroupNews News(string group, MenuNews[]? menus = null, AnswerNews[]? answers = null, BroughtNews[]? brought = null) =>
        new(group, menus ?? [], answers ?? [], brought ?? []);

    [Fact]
    public void Without_news_there_is_no_mail() => Assert.Null(Letters.Digest([News("Circle")]));

    [Fact]
    public void Everything_that_is_new_in_a_group_is_said_and_how_to_end_it()
    {
        var letter = Letters.Digest([
            News("Quiet"),
            News(
                "Circle",
                [new("Week one", "", ["Circle points", "Sea crackers"]), new("Week two", "no hazelnuts", [])],
                [new("May it\nbe frozen?", "Yes, in portions.")],
                [
                    new("Soup", SubmissionState.TakenUp, ""),
                    new("Stew", SubmissionState.AskedBack, "How much stock?"),
                    new("Cake", SubmissionState.Declined, "Too sweet."),
                ]
            ),
        ])!;
        Assert.Equal("New at Circle", letter.Subject);
        Assert.Equal(
            """
            Circle

            – The menu “Week one” is there. New with it, to take over: Circle points; Sea crackers.
            – The menu “Week two” was corrected: no hazelnuts
            – You asked: “May it be frozen?” The answer: Yes, in portions.
            – “Soup” is in the group’s library now.
            – “Stew”: the desk asks: How much stock?
            – “Cake” was not taken: Too sweet.

            Such a mail comes at most once a day. This link ends them:
            {link}

            """.ReplaceLineEndings("\n"),
            letter.Body
        );
    }

    [Fact]
    public void Two_groups_with_news_are_one_mail_and_long_words_are_cut()
    {
        var letter = Letters.Digest([
            News("One", [new("A", "", [])]),
            News("Two", [new("B", new string('x', 301), [.. Enumerable.Range(1, 8).Select(at => $"Thing {at}")])]),
        ])!;
        Assert.Equal("New in 2 of your groups", letter.Subject);
        Assert.Contains(new string('x', 300) + "…", letter.Body, StringComparison.Ordinal);
        Assert.Contains("Thing 5; Thing 6; and 2 more.", letter.Body, StringComparison.Ordinal);
    }

    [Fact]
    public void An_invitation_names_who_asks_and_carries_one_link()
    {
        var letter = Letters.Invitation("Circle", "Odalys", 14);
        Assert.Equal("Circle: you are asked to join", letter.Subject);
        Assert.StartsWith("Odalys asks you to join Circle", letter.Body, StringComparison.Ordinal);
        Assert.Equal(2, letter.Body.Split(Letters.Link).Length);
    }
}

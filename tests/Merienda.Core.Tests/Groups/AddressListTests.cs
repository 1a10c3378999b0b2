using System.Globalization;
using Merienda.Core.Groups;

namespace Merienda.Core.Tests.Groups;

public class AddressListTests
{
    private static string Read(string text)
    {
        var list = AddressList.Of(text).Value;
        return $"{string.Join(' ', list.Addresses)}|{string.Join(' ', list.Bad.Select(bad => $"{bad.Row}:{bad.Words}"))}|{list.Doubles}";
    }

    [Theory]
    [InlineData("a@b.example", "a@b.example||0")]
    [InlineData("A@B.Example\r\na@b.example\n\n c@d.example ", "a@b.example c@d.example||1")]
    [InlineData("a@b.example, c@d.example;e@f.example\tg@h.example", "a@b.example c@d.example e@f.example g@h.example||0")]
    [InlineData("Name,E-mail\n\"Quillon, Farah\",farah@b.example\nRune,", "farah@b.example|3:Rune,|0")]
    [InlineData("Farah Quillon <farah@b.example>", "farah@b.example||0")]
    [InlineData("\"Quillon; Farah\" <farah@b.example>;a@b.example", "farah@b.example a@b.example||0")]
    [InlineData("\"Quillon, a@b.example", "a@b.example||0")]
    [InlineData("mailto:a@b.example, (c@d.example), e@f.example.", "a@b.example c@d.example e@f.example||0")]
    [InlineData("\ufeffa@b.example", "a@b.example||0")]
    [InlineData("a@b.example  c@d.example a@b.example", "a@b.example c@d.example||1")]
    [InlineData("\"a@b.example\",'c@d.example'", "a@b.example c@d.example||0")]
    [InlineData("a@b.example\nnot one", "a@b.example|2:not one|0")]
    [InlineData(
        "a@b\n@b.example\na@@b.example\na b@c.example\na@-b.example\na@b.1e\na@b.c",
        "|1:a@b 2:@b.example 3:a@@b.example 4:a b@c.example 5:a@-b.example 6:a@b.1e 7:a@b.c|0"
    )]
    [InlineData("a+plan@b.co.example\nö@bücher.example", "a+plan@b.co.example ö@bücher.example||0")]
    public void Each_cell_with_an_at_sign_is_an_address_once(string text, string read) => Assert.Equal(read, Read(text));

    [Theory]
    [InlineData("")]
    [InlineData("  \n ")]
    [InlineData("Name;Town")]
    public void A_list_without_any_is_refused(string text) => Assert.Equal("address-list", AddressList.Of(text).Refusal!.Code);

    [Fact]
    public void Five_thousand_are_read_and_one_more_is_refused()
    {
        static string Many(int many) =>
            string.Join('\n', Enumerable.Range(0, many).Select(one => string.Create(CultureInfo.InvariantCulture, $"m{one}@b.example")));

        Assert.Equal(AddressList.Most, AddressList.Of(Many(AddressList.Most)).Value.Addresses.Count);
        Assert.Equal("5001 addresses", AddressList.Of(Many(AddressList.Most + 1)).Refusal!.Value);
        Assert.True(AddressList.Of(new string('x', AddressList.LongestText + 1)).IsRefused);
    }

    [Fact]
    public void The_longest_address_has_254_characters()
    {
        var host = string.Join('.', Enumerable.Repeat(new string('h', 60), 3)) + ".example";
        var longest = $"{new string('u', 254 - 1 - host.Length)}@{host}";
        Assert.Single(AddressList.Of(longest).Value.Addresses);
        Assert.Single(AddressList.Of("u" + longest).Value.Bad);
    }
}

namespace Merienda.Core.Quantities;

/// <summary>An amount as written, with the bounds that the wording gives: "3–4" is 3 to 4, "a few" is 2 to 4.</summary>
public readonly record struct WrittenAmount(decimal Low, decimal High, bool IsByEye = false)
{
    /// <summary>An amount that the wording leaves no room in: "two" is 2 to 2.</summary>
    public WrittenAmount(decimal exact)
        : this(exact, exact) { }

    public decimal Best => (Low + High) / 2;

    /// <summary>Whether a point or a space in it may part thousands: "1.000 g", "1 500 g".</summary>
    public bool MayBeThousands { get; init; }

    public static WrittenAmount operator +(WrittenAmount one, WrittenAmount other) =>
        new(one.Low + other.Low, one.High + other.High, one.IsByEye || other.IsByEye);

    public static WrittenAmount operator *(WrittenAmount amount, decimal times) =>
        amount with
        {
            Low = amount.Low * times,
            High = amount.High * times,
        };
}

/// <summary>Reads the number at the start of a text: 2, 1.5, 1,5, 1 1/2, 1-1/2, 1½, ½, 1–2, 3 or 4, a, two, half a dozen.</summary>
public static class AmountReader
{
    private static readonly Dictionary<string, WrittenAmount> Words = new(StringComparer.OrdinalIgnoreCase)
    {
        ["a"] = new(1),
        ["an"] = new(1),
        ["one"] = new(1),
        ["two"] = new(2),
        ["three"] = new(3),
        ["four"] = new(4),
        ["five"] = new(5),
        ["six"] = new(6),
        ["seven"] = new(7),
        ["eight"] = new(8),
        ["nine"] = new(9),
        ["ten"] = new(10),
        ["eleven"] = new(11),
        ["twelve"] = new(12),
        ["half"] = new(0.5m),
        ["half a"] = new(0.5m),
        ["half an"] = new(0.5m),
        ["half of a"] = new(0.5m),
        ["a half"] = new(0.5m),
        ["one half"] = new(0.5m),
        ["quarter"] = new(0.25m),
        ["quarter of a"] = new(0.25m),
        ["quarter of an"] = new(0.25m),
        ["a quarter"] = new(0.25m),
        ["a quarter of a"] = new(0.25m),
        ["a quarter of an"] = new(0.25m),
        ["a third of a"] = new(1m / 3),
        ["one third of a"] = new(1m / 3),
        ["two thirds of a"] = new(2m / 3),
        ["two thirds"] = new(2m / 3),
        ["three quarters of a"] = new(0.75m),
        ["one and a half"] = new(1.5m),
        ["two and a half"] = new(2.5m),
        ["a dozen"] = new(12),
        ["half a dozen"] = new(6),
        ["dozen"] = new(12),
        ["one dozen"] = new(12),
        ["two dozen"] = new(24),
        ["a couple of"] = new(2),
        ["a couple"] = new(2),
        ["couple of"] = new(2),
        ["a few"] = new(2, 4, true),
        ["few"] = new(2, 4, true),
        ["several"] = new(3, 5, true),
    };

    private const int LongestPhrase = 4;

    private static readonly HashSet<string> FirstWords = new(
        Words.Keys.Select(phrase => phrase.Split(' ')[0]),
        StringComparer.OrdinalIgnoreCase
    );

    /// <summary>Reads a leading amount and returns what follows it; null when the text does not start with one.</summary>
    public static (WrittenAmount Amount, string Tail)? Read(string text)
    {
        var tokens = new LineTokens(text.TrimStart());
        return Read(tokens, 0) is { } read ? (read.Amount, tokens.Text[Math.Min(tokens.Text.Length, tokens[read.Next].Start)..]) : null;
    }

    /// <summary>The amount at a token and the token behind it; null when none stands there.</summary>
    internal static (WrittenAmount Amount, int Next)? Read(LineTokens tokens, int at)
    {
        if (Number(tokens, at) is not { } first)
        {
            return Spelled(tokens, at);
        }

        var sign = tokens[first.Next];
        if (
            (sign.Is('-') || sign.Is('–') || sign.Is('—') || sign.Is("to") || sign.Is("or"))
            && Number(tokens, first.Next + 1) is { } last
            && last.Value > first.Value
        )
        {
            return (new(first.Value, last.Value), last.Next);
        }

        // "2 dozen eggs", "1 doz."
        return sign.Is("dozen") || sign.Is("doz")
            ? (new(first.Value * 12, first.Value * 12), tokens[first.Next + 1].Is('.') ? first.Next + 2 : first.Next + 1)
            : (new(first.Value, first.Value), first.Next);
    }

    private static (WrittenAmount, int)? Spelled(LineTokens tokens, int at)
    {
        if (tokens[at].Kind != TokenKind.Word || !FirstWords.Contains(tokens[at].Text))
        {
            return null;
        }

        for (var length = LongestPhrase; length > 0; length--)
        {
            if (
                tokens[at + length - 1].Kind == TokenKind.Word
                && at + length < tokens.Count
                && Words.TryGetValue(tokens.Between(at, at + length), out var amount)
                // "Half-fat" is a kind of food.
                && !(tokens[at + length].Is('-') && tokens[at + length + 1].Is("fat"))
            )
            {
                // "three or four carrots".
                return
                    (tokens[at + length].Is("or") || tokens[at + length].Is("to"))
                    && at + length + 2 < tokens.Count
                    && Words.TryGetValue(tokens[at + length + 1].Text, out var most)
                    && most.Best > amount.Best
                    ? (new(amount.Low, most.High, amount.IsByEye), at + length + 2)
                    : (amount, at + length);
            }
        }

        return null;
    }

    private static (decimal Value, int Next)? Number(LineTokens tokens, int at)
    {
        var first = tokens[at];
        if (first.Kind != TokenKind.Number)
        {
            return null;
        }

        if (first.IsFraction)
        {
            return (first.Value, at + 1);
        }

        if (Slash(tokens, at) is { } fraction)
        {
            return fraction;
        }

        if (IsSlash(tokens[at + 1]) && tokens[at + 2] is { Kind: TokenKind.Number, Value: 0 })
        {
            return null;
        }

        // "1 1/2", "1½", "1-1/2", "1 and 1/2".
        var after = tokens[at + 1].Is("and") || tokens[at + 1].Is('&') || tokens[at + 1].Is('-') ? at + 2 : at + 1;
        if (tokens[after] is { IsFraction: true } part)
        {
            return (first.Value + part.Value, after + 1);
        }

        return
            tokens[after].Start > first.End && Slash(tokens, after) is { Value: < 1 } mixed && first.Value == decimal.Truncate(first.Value)
            ? (first.Value + mixed.Value, mixed.Next)
            : (first.Value, at + 1);
    }

    private static (decimal Value, int Next)? Slash(LineTokens tokens, int at) =>
        tokens[at] is { Kind: TokenKind.Number, IsFraction: false } over
        && IsSlash(tokens[at + 1])
        && tokens[at + 2] is { Kind: TokenKind.Number, IsFraction: false, Value: > 0 } under
            ? (over.Value / under.Value, at + 3)
            : null;

    private static bool IsSlash(LineToken token) => token.Is('/') || token.Is('⁄');
}

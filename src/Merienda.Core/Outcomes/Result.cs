namespace Merienda.Core.Outcomes;

/// <summary>A refusal of bad input: which field, what it held, why it is refused and what cures it.</summary>
/// <param name="Code">Stable identifier of the refusal, kebab-case.</param>
public sealed record Refusal(string Code, string Field, string Value, string Reason, string Cure)
{
    public override string ToString() => $"{Field} \"{Value}\": {Reason}. {Cure}.";
}

/// <summary>The value asked for, or the refusal that says why there is none. Exceptions are kept for broken invariants.</summary>
public readonly struct Result<T>
{
    private readonly T? _value;

    private Result(T? value, Refusal? refusal) => (_value, Refusal) = (value, refusal);

    public Refusal? Refusal { get; }

    public bool IsRefused => Refusal is not null;

    /// <exception cref="InvalidOperationException">The result is a refusal; ask <see cref="IsRefused"/> first.</exception>
    public T Value => Refusal is null ? _value! : throw new InvalidOperationException(Refusal.ToString());

    /// <summary>Goes on with the value; a refusal stays what it is.</summary>
    public Result<TNext> Select<TNext>(Func<T, TNext> draw) => Refusal is { } refusal ? refusal : draw(_value!);

    /// <summary>Goes on with what may be refused too.</summary>
    public Result<TNext> Then<TNext>(Func<T, Result<TNext>> next) => Refusal is { } refusal ? refusal : next(_value!);

    public static implicit operator Result<T>(T value) => new(value, null);

    public static implicit operator Result<T>(Refusal refusal) => new(default, refusal);
}

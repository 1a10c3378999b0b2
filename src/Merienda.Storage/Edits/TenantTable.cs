using System.Text.Json;
using System.Text.Json.Nodes;

namespace Merienda.Storage.Edits;

/// <summary>
/// A table of a household as the edit door writes it: sets of rows go as one JSON value a statement, and the database itself turns them
/// into rows of the table's types. The columns are the members of the row's record, in snake case.
/// </summary>
public abstract class TenantTable
{
    private readonly IReadOnlyList<string> _key;
    private readonly string _tenant;
    private readonly string _columns;

    /// <param name="key">What tells two rows of one household apart; empty when there is one only.</param>
    /// <param name="tenant">The column that holds the household.</param>
    protected TenantTable(string name, Type row, IReadOnlyList<string> key, string tenant)
    {
        (Name, _key, _tenant) = (name, key, tenant);
        var columns = row.GetProperties().Select(property => JsonNamingPolicy.SnakeCaseLower.ConvertName(property.Name)).ToList();
        if (key.Except(columns).FirstOrDefault() is { } missing)
        {
            throw new InvalidOperationException($"The rows of {name} have no {missing}.");
        }

        _columns = string.Join(", ", columns);
        var rest = columns.Except(key).ToList();
        Insert = $"insert into {name} ({tenant}, {_columns}) select app_household(), {_columns} from {Rows("rows")}";
        var kept = rest.Count == 0 ? "nothing" : $"update set {string.Join(", ", rest.Select(column => $"{column} = excluded.{column}"))}";
        Upsert = $"{Insert} on conflict ({string.Join(", ", key.Prepend(tenant))}) do {kept}";
        Delete = $"delete from {name} using {Rows("gone")} where {name}.{tenant} = app_household(){Matches(name, "gone")}";
    }

    public string Name { get; }

    /// <summary>Whether what was read of the larder is old once a row changes.</summary>
    public bool IsLarder { get; init; }

    /// <summary>
    /// Clears what an undone edit left standing on the rows that go, for <see cref="LeftoversOf"/>; null when nothing is ever left.
    /// </summary>
    internal string? Leftovers { get; init; }

    /// <summary>Meals that are empty by now and of which nothing is said.</summary>
    /// <param name="where">Which of them stand on the rows, called gone.</param>
    internal static string LeftoversOf(string table, string where) =>
        $"""
            delete from serving using jsonb_populate_recordset(null::{table}, @{"{0}"}::jsonb) gone
            where serving.household_id = app_household() and {where} and state = 'Planned' and not is_locked and note = ''
              and not exists (select 1 from serving_item item where item.household_id = serving.household_id and item.serving_id = serving.id)
            """;

    /// <summary>Statements with a {0} where the parameter with the rows stands.</summary>
    internal string Insert { get; }

    internal string Upsert { get; }

    internal string Delete { get; }

    /// <summary>
    /// Whether the rows are still as an edit left them: {0} holds the rows after it, {1} every row it touched.
    /// </summary>
    internal string IsAsLeft =>
        $"""
            not exists (select {_columns} from jsonb_populate_recordset(null::{Name}, @{"{0}"}::jsonb) except {Current})
            and not exists ({Current} except select {_columns} from jsonb_populate_recordset(null::{Name}, @{"{0}"}::jsonb))
            """;

    private string Current =>
        $"""
            select {string.Join(", ", _columns.Split(", ").Select(column => $"{Name}.{column}"))} from {Name}
            join jsonb_populate_recordset(null::{Name}, @{"{1}"}::jsonb) touched on {Name}.{_tenant} = app_household(){Matches(
                Name,
                "touched"
            )}
            """;

    /// <summary>A row's key as text.</summary>
    internal string KeyOf(JsonObject row) => string.Join("\n", _key.Select(column => row[column]?.ToJsonString() ?? ""));

    private string Rows(string alias) => $"jsonb_populate_recordset(null::{Name}, @{"{0}"}::jsonb) {alias}";

    private string Matches(string left, string right) => string.Concat(_key.Select(column => $" and {left}.{column} = {right}.{column}"));
}

/// <inheritdoc/>
public sealed class TenantTable<TRow>(string name, params string[] key)
    : TenantTable(name, typeof(TRow), key, name == "household" ? "id" : "household_id");

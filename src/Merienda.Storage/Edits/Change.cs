using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Dapper;

namespace Merienda.Storage.Edits;

/// <summary>Rows of one table that an edit changes, as they were and as they are then; a row on one side only came or went.</summary>
internal sealed record RowChange(JsonArray Before, JsonArray After);

/// <summary>
/// What an edit writes. Rows are put before and after and only those that differ are written; they are what undo puts back. Appended
/// rows are versions: nothing changes or removes them, an undone edit only stops pointing at them.
/// </summary>
/// <param name="summary">What was done, as the cook reads it: "Placed B".</param>
public sealed class Change(string summary)
{
    private readonly Dictionary<string, (TenantTable Table, JsonArray Before, JsonArray After)> _put = [];
    private readonly List<(TenantTable Table, JsonArray Rows)> _appended = [];

    public string Summary { get; } = summary;

    public bool IsEmpty => _put.Count == 0 && _appended.Count == 0;

    /// <summary>Puts rows in place of others; rows that are on both sides are left alone.</summary>
    public Change Put<TRow>(TenantTable<TRow> table, IEnumerable<TRow> before, IEnumerable<TRow> after)
    {
        var (old, now) = (before.Select(RowJson.Of).ToList(), after.Select(RowJson.Of).ToList());
        var (oldTexts, newTexts) = (Texts(old), Texts(now));
        var (gone, come) = (
            old.Where(row => !newTexts.Contains(Text(row))).ToList(),
            now.Where(row => !oldTexts.Contains(Text(row))).ToList()
        );
        if (gone.Count + come.Count > 0)
        {
            var (_, kept, coming) = _put.TryGetValue(table.Name, out var there) ? there : (table, [], []);
            gone.ForEach(kept.Add);
            come.ForEach(coming.Add);
            _put[table.Name] = (table, kept, coming);
        }

        return this;
    }

    public Change Put<TRow>(TenantTable<TRow> table, TRow? before, TRow? after)
        where TRow : class => Put(table, before is null ? [] : [before], after is null ? [] : [after]);

    public Change Append<TRow>(TenantTable<TRow> table, IEnumerable<TRow> rows)
    {
        var added = new JsonArray([.. rows.Select(RowJson.Of)]);
        if (added.Count > 0)
        {
            _appended.Add((table, added));
        }

        return this;
    }

    /// <summary>The rows as the journal keeps them.</summary>
    internal string Image() =>
        JsonSerializer.Serialize(_put.ToDictionary(item => item.Key, item => new RowChange(item.Value.Before, item.Value.After)));

    internal (string Sql, DynamicParameters Parameters) Statements() =>
        RowWriter.Write(
            _put.ToDictionary(item => item.Key, item => new RowChange(item.Value.Before, item.Value.After)),
            _appended.ToLookup(item => item.Table.Name, item => item.Rows)
        );

    private static HashSet<string> Texts(IEnumerable<JsonObject> rows) => [.. rows.Select(Text)];

    private static string Text(JsonObject row) => row.ToJsonString();
}

/// <summary>Writes rows of many tables in the order that their keys need: children go first, parents come first.</summary>
internal sealed class RowWriter
{
    private readonly List<string> _sql = [];
    private readonly DynamicParameters _parameters = new();

    /// <param name="changes">By table: rows that are replaced.</param>
    /// <param name="appended">By table: rows that are new and stay.</param>
    public static (string Sql, DynamicParameters Parameters) Write(
        IReadOnlyDictionary<string, RowChange> changes,
        ILookup<string, JsonArray> appended
    )
    {
        if (
            changes.Keys.Concat(appended.Select(rows => rows.Key)).Except(Tables.InOrder.Select(table => table.Name)).FirstOrDefault() is
            { } lost
        )
        {
            throw new InvalidOperationException($"The rows of {lost} have no place in the order of tables.");
        }

        var writer = new RowWriter();
        foreach (var table in Tables.InOrder.Reverse().Where(table => changes.ContainsKey(table.Name)))
        {
            var stay = changes[table.Name].After.Select(row => table.KeyOf(row!.AsObject())).ToHashSet();
            var gone = changes[table.Name].Before.Where(row => !stay.Contains(table.KeyOf(row!.AsObject()))).ToList();
            var rows = new JsonArray([.. gone.Select(row => row!.DeepClone())]);
            if (table.Leftovers is { } leftovers)
            {
                writer.Add(leftovers, rows);
            }

            writer.Add(table.Delete, rows);
        }

        foreach (var table in Tables.InOrder)
        {
            foreach (var rows in appended[table.Name])
            {
                writer.Add(table.Insert, rows);
            }

            if (changes.TryGetValue(table.Name, out var change))
            {
                writer.Add(table.Upsert, change.After);
            }
        }

        if (Tables.InOrder.Any(table => table.IsLarder && changes.ContainsKey(table.Name)))
        {
            writer._sql.Add("update household set larder_revision = larder_revision + 1 where id = app_household();");
        }

        return (string.Join("\n", writer._sql), writer._parameters);
    }

    private void Add(string statement, JsonArray rows)
    {
        if (rows.Count > 0)
        {
            var name = $"doorRows{_sql.Count}";
            _parameters.Add(name, rows.ToJsonString());
            _sql.Add($"{string.Format(CultureInfo.InvariantCulture, statement, name)};");
        }
    }
}

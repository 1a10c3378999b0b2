using System.Text.RegularExpressions;
using static System.StringComparison;

namespace Merienda.Core.Outcomes;

/// <summary>What a refusal means to who sent it.</summary>
public enum RefusalKind
{
    /// <summary>What was sent cannot be: it has to be put otherwise.</summary>
    Wrong,

    /// <summary>Something stands in the way as things are now, often because somebody else was first.</summary>
    Moved,

    /// <summary>There is no such thing.</summary>
    Missing,
}

/// <summary>One kind of refusal.</summary>
/// <param name="Fields">The fields it can name, with commas between; [] for any place in a list, * for any words.</param>
/// <param name="Bound">What would be taken, where that can be said beforehand.</param>
public sealed record RefusalEntry(string Code, RefusalKind Kind, string Fields, string Bound = "")
{
    /// <summary>Whether it can be about that field.</summary>
    public bool Names(string field) =>
        Fields
            .Split(", ")
            .Any(pattern =>
                Regex.IsMatch(field, $"^{Regex.Escape(pattern).Replace(@"\*", ".*", Ordinal).Replace(@"\[]", @"\[\d+]", Ordinal)}$")
            );
}

/// <summary>
/// Every refusal there is, in the order of the codes. A code says the same wherever it comes from; the sentence and its cure stand where it
/// is decided. The tests find a code that is missing here, one that nothing refuses with, and one that no test provokes. This file is long
/// because it is a list.
/// </summary>
public static class Refusals
{
    public static readonly IReadOnlyList<RefusalEntry> All =
    [
        new("acceptance-incomplete", RefusalKind.Wrong, "what, reason", "a food of 1 to 300 characters, a reason of 1 to 200"),
        new("adult-needed", RefusalKind.Wrong, "isAdult"),
        new("adult-only", RefusalKind.Wrong, "isAdult"),
        new("aisle-length", RefusalKind.Wrong, "aisle", "at most 60 characters"),
        new("allergy", RefusalKind.Moved, "eater"),
        new("allowance-out-of-range", RefusalKind.Wrong, "allowance", "0 to 99,999"),
        new("already-frozen", RefusalKind.Moved, "place"),
        new("already-opened", RefusalKind.Moved, "openedOn"),
        new("already-portioned", RefusalKind.Moved, "batch"),
        new("already-there", RefusalKind.Moved, "kind, place"),
        new("bad-email", RefusalKind.Wrong, "email"),
        new("bad-json", RefusalKind.Wrong, "file"),
        new("bad-limit", RefusalKind.Wrong, "--limit"),
        new("bad-portions", RefusalKind.Wrong, "--portions, portions", "0.25 to 1,000"),
        new("basis-unknown", RefusalKind.Wrong, "country"),
        new("batch-gone", RefusalKind.Moved, "batch"),
        new("batch-portioned", RefusalKind.Moved, "batch"),
        new("batch-too-small", RefusalKind.Moved, "portions", "what is placed or gone"),
        new("box-gone", RefusalKind.Moved, "box"),
        new("box-has-less", RefusalKind.Moved, "portions", "what is left in it"),
        new("capacity-out-of-range", RefusalKind.Wrong, "items[].capacityMl", "1 to 100,000 ml"),
        new("challenge-twice", RefusalKind.Wrong, "order, phases.challenges"),
        new("changed-meanwhile", RefusalKind.Moved, "undo, basedOn"),
        new("clinical-team", RefusalKind.Wrong, "atMost", "below 800 kcal a day"),
        new("coefficient-of-nothing", RefusalKind.Wrong, "scheme.coefficients[]"),
        new("column-missing", RefusalKind.Wrong, "file"),
        new("column-unknown", RefusalKind.Wrong, "file"),
        new("cooks-out-of-range", RefusalKind.Wrong, "cooks, prepDays[].cooks", "1 to 4"),
        new("copy-not-later", RefusalKind.Wrong, "to", "after the week itself, up to 2100"),
        new(
            "count-out-of-range",
            RefusalKind.Wrong,
            "items[].count, containers[].count",
            "1 to 50 of a kind, 1 to 500 containers of a size"
        ),
        new("date-out-of-range", RefusalKind.Wrong, "date", "2000 to 2100"),
        new("days-not-two", RefusalKind.Wrong, "to"),
        new("diary-ahead", RefusalKind.Wrong, "notedOn", "at the latest today"),
        new("diary-length", RefusalKind.Wrong, "text", "1 to 500 characters"),
        new("document-too-long", RefusalKind.Wrong, "document", "at most 500,000 characters"),
        new("document-unreadable", RefusalKind.Wrong, "document, line *"),
        new("document-wrong", RefusalKind.Wrong, "*"),
        new("does-not-freeze", RefusalKind.Wrong, "kind"),
        new("eaten-already", RefusalKind.Moved, "size"),
        new("eaten-before", RefusalKind.Wrong, "date"),
        new("eaten-out-of-range", RefusalKind.Wrong, "prepDays[].eatenAfter", "0 to 6 days after"),
        new("eater-gone", RefusalKind.Missing, "eater"),
        new("edit-id-used", RefusalKind.Moved, "X-Edit-Id"),
        new("email-taken", RefusalKind.Wrong, "email"),
        new("empty-folder", RefusalKind.Wrong, "file"),
        new("energies-differ", RefusalKind.Wrong, "energy", "what both say, rounded as printed"),
        new("exchange-unreadable", RefusalKind.Wrong, "exchange"),
        new("fibre-above-carbohydrate", RefusalKind.Wrong, "fibre"),
        new("fill-out-of-range", RefusalKind.Wrong, "items[].fillShare", "above 0 and up to 100 %"),
        new("floor-above-ceiling", RefusalKind.Wrong, "atLeast, *rules[].atLeast, allowances[].atLeast", "at most the ceiling"),
        new("free-twice", RefusalKind.Wrong, "scheme.free"),
        new("freezer-out-of-range", RefusalKind.Wrong, "freezerLitres", "0 to 2,000 litres"),
        new("guest-has-no-rules", RefusalKind.Wrong, "protocols"),
        new("invitation-over", RefusalKind.Wrong, "invitation"),
        new("item-changed", RefusalKind.Moved, "line, size"),
        new("item-gone", RefusalKind.Moved, "item"),
        new("item-moved", RefusalKind.Moved, "item"),
        new("keeping-missing", RefusalKind.Wrong, "keeping"),
        new("last-member", RefusalKind.Wrong, "account"),
        new("line-id-twice", RefusalKind.Wrong, "lines[].id"),
        new("line-too-long", RefusalKind.Wrong, "lines", "at most 300 characters"),
        new("made-out-of-range", RefusalKind.Wrong, "parts[].madeAmount", "above 0, at most 100,000"),
        new("meal-in-use", RefusalKind.Wrong, "meals"),
        new("meals-incomplete", RefusalKind.Wrong, "meals"),
        new("meals-out-of-range", RefusalKind.Wrong, "meals", "1 to 8"),
        new("minutes-out-of-range", RefusalKind.Wrong, "tasks", "0 to 1,440 minutes"),
        new("missing-file", RefusalKind.Wrong, "file"),
        new("missing-protocol", RefusalKind.Wrong, "--protocol"),
        new("missing-value", RefusalKind.Wrong, "*"),
        new("more-doses-than-days", RefusalKind.Wrong, "phases.challenges"),
        new(
            "name-length",
            RefusalKind.Wrong,
            "name, householdName, vessel, items[].name, containers[].name, meals[].name, prepDays[].name",
            "1 to 40 characters; a protocol or household 80, a recipe 120, kitchen things 60"
        ),
        new("name-taken", RefusalKind.Wrong, "name, meals[].name"),
        new(
            "need-out-of-range",
            RefusalKind.Wrong,
            "weight, height, age, activity, deficit",
            "25 to 350 kg, 90 to 250 cm, 1 to 120 years, the known activities, 0 to 25 %"
        ),
        new("never-refrozen", RefusalKind.Moved, "kind, place"),
        new("no-bound", RefusalKind.Wrong, "*rules[]"),
        new("no-exchange", RefusalKind.Wrong, "equal"),
        new("no-file", RefusalKind.Wrong, "file"),
        new("no-header", RefusalKind.Wrong, "file"),
        new("no-ingredients", RefusalKind.Wrong, "file, recipeIngredient, lines", "1 to 200 lines"),
        new("no-later-session", RefusalKind.Moved, "batch"),
        new("no-phases", RefusalKind.Wrong, "protocol"),
        new("no-portions", RefusalKind.Wrong, "portions"),
        new("no-recipe", RefusalKind.Wrong, "text, file"),
        new("no-rules", RefusalKind.Wrong, "rules"),
        new("no-scheme", RefusalKind.Wrong, "scheme"),
        new("no-session", RefusalKind.Wrong, "day"),
        new("not-cooked-yet", RefusalKind.Moved, "date"),
        new("not-english", RefusalKind.Wrong, "text"),
        new("not-portioned", RefusalKind.Moved, "batch"),
        new("not-utf8", RefusalKind.Wrong, "file"),
        new("note-gone", RefusalKind.Missing, "entry"),
        new("note-length", RefusalKind.Wrong, "note", "at most 200 characters"),
        new("nothing-cooked", RefusalKind.Wrong, "day"),
        new("nothing-fits", RefusalKind.Moved, "size"),
        new("nothing-loose", RefusalKind.Moved, "batch, portions, parts, size"),
        new("nothing-to-copy", RefusalKind.Moved, "week"),
        new("nothing-to-read", RefusalKind.Wrong, "line"),
        new("nothing-to-repeat", RefusalKind.Moved, "to"),
        new("nothing-to-undo", RefusalKind.Moved, "undo"),
        new("opened-days-out-of-range", RefusalKind.Wrong, "openedDays", "1 to 365 days"),
        new("order-incomplete", RefusalKind.Moved, "items"),
        new("out-of-week", RefusalKind.Wrong, "date", "the seven days of the week"),
        new("pack-out-of-range", RefusalKind.Wrong, "pack", "at most 60 characters; above 0 and at most 50 kg"),
        new("packet-changed", RefusalKind.Moved, "basedOn"),
        new("packet-gone", RefusalKind.Missing, "packet"),
        new("packet-name-length", RefusalKind.Wrong, "name", "1 to 120 characters"),
        new("packet-name-taken", RefusalKind.Wrong, "name"),
        new("packet-names-it", RefusalKind.Moved, "eater"),
        new("page-too-long", RefusalKind.Wrong, "text", "characters of a saved page"),
        new("part-name-length", RefusalKind.Wrong, "parts[].name, lines[].part", "at most 60 characters"),
        new("part-name-twice", RefusalKind.Wrong, "parts[].name"),
        new("past-its-time", RefusalKind.Moved, "kind"),
        new("pattern-incomplete", RefusalKind.Wrong, "meals"),
        new("phase-backwards", RefusalKind.Wrong, "restrictionEnds, phases.longestDays"),
        new("phase-length", RefusalKind.Wrong, "restrictionEnds", "the days of its schedule"),
        new("points-out-of-range", RefusalKind.Wrong, "points", "0 to 1,000"),
        new("portion-out-of-range", RefusalKind.Wrong, "portionHabit", "0.25 to 4 in steps of 0.25"),
        new("portions-in-their-days", RefusalKind.Moved, "eater"),
        new("portions-missing", RefusalKind.Wrong, "portions"),
        new("portions-out-of-range", RefusalKind.Wrong, "portions", "a batch 1 to 60 in steps of 0.25, a recipe 0.25 to 1,000"),
        new("price-out-of-range", RefusalKind.Wrong, "price", "0 to 100,000"),
        new("protocol-gone", RefusalKind.Moved, "protocol"),
        new("ratio-of-one", RefusalKind.Wrong, "*rules[].to"),
        new("ready-amount-missing", RefusalKind.Wrong, "line"),
        new("ready-length", RefusalKind.Wrong, "line", "1 to 300 characters"),
        new("reason-length", RefusalKind.Wrong, "reason, parts[].keepingReason", "of a box at most 120 characters, of a decision 1 to 200"),
        new("recipe-changed", RefusalKind.Moved, "basedOn"),
        new("recipe-empty", RefusalKind.Wrong, "text"),
        new("recipe-gone", RefusalKind.Missing, "recipe"),
        new("recipe-ring", RefusalKind.Wrong, "lines"),
        new("recipe-too-long", RefusalKind.Wrong, "text, file", "at most 60,000 characters"),
        new("refused", RefusalKind.Wrong, "email"),
        new("row-full", RefusalKind.Moved, "meal"),
        new("rule-id-twice", RefusalKind.Wrong, "rules, *rules[].id"),
        new("rules-exclude-each-other", RefusalKind.Wrong, "rules: *, allowances: *"),
        new("serving-length", RefusalKind.Wrong, "serving", "at most 100 characters"),
        new("serving-out-of-range", RefusalKind.Wrong, "serving, *", "above 0 and at most 2,000 g or 1,000 pieces"),
        new("serving-without-weight", RefusalKind.Wrong, "serving, *"),
        new("servings-out-of-range", RefusalKind.Wrong, "servings", "0 to 1,000"),
        new("session-of-other-week", RefusalKind.Wrong, "date, cookedOn, to"),
        new("session-out-of-week", RefusalKind.Wrong, "date, cookedOn, to", "6 days before the week's first day to as many after it"),
        new("share-out-of-range", RefusalKind.Wrong, "lines[].eatenShare, lines[].keptFat", "0 to 1"),
        new("shares-not-whole", RefusalKind.Wrong, "meals", "together 100 %"),
        new("shipped-protocol", RefusalKind.Wrong, "protocol"),
        new(
            "size-out-of-range",
            RefusalKind.Wrong,
            "portions, items[].widthMm, size",
            "0.25 to 4 portions in steps of 0.25, at least 1 g; a side 1 to 2,000 mm"
        ),
        new("statement-too-long", RefusalKind.Wrong, "statement, mayContain", "at most 20,000 characters, the advice 2,000"),
        new("still-followed", RefusalKind.Moved, "protocol"),
        new("stock-amount-length", RefusalKind.Wrong, "amount", "at most 60 characters"),
        new("stock-amount-out-of-range", RefusalKind.Wrong, "amount, line", "above 0 and at most 1,000 kg"),
        new("stock-date-in-future", RefusalKind.Wrong, "madeOn", "at the latest today"),
        new("stock-gone", RefusalKind.Moved, "stock"),
        new("stock-line-length", RefusalKind.Wrong, "line", "1 to 300 characters, 1 to 40 things"),
        new("stock-name-length", RefusalKind.Wrong, "name", "1 to 120 characters"),
        new("tare-too-large", RefusalKind.Wrong, "tareG", "below what the scale shows"),
        new("task-id-twice", RefusalKind.Wrong, "tasks"),
        new("temperature-out-of-range", RefusalKind.Wrong, "tasks", "0 to 350 °C"),
        new("time-out-of-range", RefusalKind.Wrong, "at", "the last 400 days"),
        new("too-many-dislikes", RefusalKind.Wrong, "dislikes", "at most 100"),
        new("too-many-eaters", RefusalKind.Wrong, "name", "at most 6 eaters and as many guests"),
        new("too-many-files", RefusalKind.Wrong, "file"),
        new("too-many-households", RefusalKind.Wrong, "name", "at most 20"),
        new("too-many-ingredients", RefusalKind.Wrong, "lines", "at most 1,000 with those of used recipes"),
        new("too-many-invitations", RefusalKind.Wrong, "invitations", "at most 10 open"),
        new("too-many-lines", RefusalKind.Wrong, "text", "at most 200"),
        new("too-many-parts", RefusalKind.Wrong, "parts", "at most 12"),
        new("too-many-protocols", RefusalKind.Wrong, "protocol", "at most 40 of its own"),
        new("too-many-rows", RefusalKind.Wrong, "items", "at most 100 of each"),
        new("too-many-tasks", RefusalKind.Wrong, "tasks", "at most 60"),
        new("two-prep-days", RefusalKind.Wrong, "prepDays[].day"),
        new("two-sources", RefusalKind.Wrong, "--protocol"),
        new("undo-too-old", RefusalKind.Moved, "undo"),
        new("unknown-challenge", RefusalKind.Wrong, "challenge, order"),
        new("unknown-class", RefusalKind.Wrong, "classes, allergies"),
        new("unknown-country", RefusalKind.Wrong, "--country"),
        new("unknown-day", RefusalKind.Wrong, "firstDay, prepDays[].day"),
        new("unknown-event", RefusalKind.Wrong, "kind"),
        new("unknown-food", RefusalKind.Wrong, "dislikes, food, lines"),
        new("unknown-household", RefusalKind.Wrong, "household"),
        new("unknown-item", RefusalKind.Wrong, "key"),
        new("unknown-keeping", RefusalKind.Wrong, "keeping, parts[].keeping"),
        new("unknown-kind", RefusalKind.Wrong, "items[].kind"),
        new("unknown-material", RefusalKind.Wrong, "containers[].material"),
        new("unknown-meal", RefusalKind.Wrong, "meal, meals[].key"),
        new("unknown-measure", RefusalKind.Wrong, "--limit"),
        new("unknown-member", RefusalKind.Wrong, "account"),
        new("unknown-number-format", RefusalKind.Wrong, "numberFormat"),
        new("unknown-option", RefusalKind.Wrong, "option, protocols[].choices"),
        new("unknown-part", RefusalKind.Wrong, "parts, part"),
        new("unknown-protocol", RefusalKind.Wrong, "--protocol, protocols"),
        new("unknown-rule", RefusalKind.Wrong, "rule, allowances[].rule"),
        new("unknown-time-zone", RefusalKind.Wrong, "timeZone"),
        new("unknown-units", RefusalKind.Wrong, "units"),
        new("unreadable-text", RefusalKind.Wrong, "statement"),
        new("unreadable-value", RefusalKind.Wrong, "*"),
        new("volume-out-of-range", RefusalKind.Wrong, "containers[].volumeMl", "1 to 20,000 ml"),
        new("weak-password", RefusalKind.Wrong, "password", "see the door"),
        new("weight-out-of-range", RefusalKind.Wrong, "items[].tareG, grossG, tareG", "a vessel 0 to 100,000 g, a scale 1 to 100,000 g"),
        new("weight-unknown", RefusalKind.Wrong, "size"),
        new("word-unknown", RefusalKind.Missing, "words"),
    ];

    private static readonly Dictionary<string, RefusalEntry> ByCode = All.ToDictionary(entry => entry.Code);

    /// <exception cref="KeyNotFoundException">No refusal has this code: it has to be written down here.</exception>
    public static RefusalEntry Of(string code) => ByCode[code];
}

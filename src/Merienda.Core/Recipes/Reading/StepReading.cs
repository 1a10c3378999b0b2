using System.Text.RegularExpressions;

namespace Merienda.Core.Recipes;

/// <summary>
/// What a step takes: minutes by hand and alone, and the appliance that is busy longest. It is read clause by clause; a clause that only
/// says a time goes on with what the one before did ("flip, 5 more").
/// </summary>
internal sealed partial class StepReading
{
    /// <summary>From so many minutes on what "cooks" needs nobody beside it [C].</summary>
    private const int LongCooking = 10;

    /// <summary>From so many minutes on nobody does by hand what the words do not name [C].</summary>
    private const int LongByHand = 60;

    /// <summary>From so many minutes on "on low" is a slow cooker's setting and not a flame's [C].</summary>
    private const int LongOnASetting = 60;

    private readonly bool _isWatched;
    private readonly bool _isHot;
    private int _byHand;
    private int _alone;
    private int _longest = -1;
    private bool _hasHands;
    private bool _hasWaiting;

    /// <summary>What the last clause did.</summary>
    private Appliance? _where;
    private bool? _isAlone;

    /// <summary>Where something was put, until a time is said of it: "into a hot oven, and leave it for 35 minutes".</summary>
    private Appliance? _putInto;

    private StepReading(string step) => (_isWatched, _isHot) = (StepWords.IsWatched(step), OvenTemperature.In(step) is not null);

    public int ByHand { get; private set; }

    public int Alone { get; private set; }

    public Appliance Appliance { get; private set; }

    public static StepReading Of(string step)
    {
        var read = new StepReading(step);
        foreach (var clause in Clauses().Split(step).Where(clause => clause.Trim(' ', '.').Length > 0))
        {
            read.Add(clause);
        }

        read.Alone = Math.Min(TaskReader.MostMinutes, read._alone);
        if (StepWords.IsPreheating(step))
        {
            read.ByHand = TaskReader.SetAside;
            read.Alone = read.Alone > 0 ? read.Alone : TaskReader.Preheating;
            read.Appliance = read.Appliance == Appliance.None ? Appliance.Oven : read.Appliance;
        }
        else
        {
            // "Cool and box" says of no time that it stands.
            read.Appliance = read is { Appliance: Appliance.Cooling, Alone: 0 } ? Appliance.None : read.Appliance;
            read.ByHand =
                read._byHand > 0 ? Math.Min(TaskReader.MostMinutes, read._byHand)
                : read._alone == 0 || read._hasHands ? TaskReader.UsualHandsOn
                : read._hasWaiting && read.Appliance is Appliance.None or Appliance.Cooling ? TaskReader.SetAside
                : TaskReader.PutIn;
        }

        return read;
    }

    private void Add(string clause)
    {
        var doings = StepWords.In(clause);
        var place = StepWords.PlaceIn(clause);
        var minutes = StepMinutes.In(clause);
        _hasHands |= (doings.Count == 0 && minutes.Count == 0) || doings.Any(one => one.IsAlone == false);
        _hasWaiting |= doings.Any(one => one is { Appliance: Appliance.None or Appliance.Cooling, IsAlone: true });
        foreach (var duration in minutes)
        {
            if (doings.Count > 0)
            {
                // The verb before the time is what takes it: "boil for 9 minutes and cool them".
                var before = doings.Where(one => one.At < duration.At).ToList();
                var doing = before.Count > 0 ? before[^1] : doings[0];
                (_where, _isAlone) = (doing.Appliance ?? CookedWhere(doing, clause, duration.Minutes), doing.IsAlone);
            }
            else if (duration.Minutes >= LongOnASetting && StepWords.IsOnASetting(clause))
            {
                // "Low 6 hrs".
                (_where, _isAlone) = (Appliance.SlowCooker, true);
            }
            else if (place is null && OvenTemperature.In(clause) is not null)
            {
                // "Chicken 1 h 30 at 190".
                (_where, _isAlone) = (Appliance.Oven, true);
            }

            Take(duration, place, clause);
        }

        var named =
            place
            ?? (
                CoolsInSink(doings)
                    ? Appliance.Sink
                    : doings.Select(one => one.Appliance).FirstOrDefault(one => one is not (null or Appliance.None))
            );
        if (_longest < 0)
        {
            // What "cooks" and says neither where nor how long stands on the stove.
            Appliance = named ?? (Appliance == Appliance.None && doings.Any(one => one.IsAlone is null) ? Appliance.Burner : Appliance);
        }

        if (minutes.Count == 0)
        {
            // "350 °F, 55 min": where a heat is said and nothing else, it is the oven's.
            _putInto = place ?? (doings.Count == 0 && OvenTemperature.In(clause) is not null ? Appliance.Oven : _putInto);
            // A stir between two times changes nothing of what cooks.
            var cooking = doings.Where(one => one.Appliance is not null || one.IsAlone != false).ToList();
            if (cooking.Count > 0)
            {
                (_where, _isAlone) = (named ?? cooking[^1].Appliance, cooking[^1].IsAlone);
            }
        }
    }

    /// <summary>"Leave it to cool in an ice bath": the bath is where, whatever else is said of cooling.</summary>
    private static bool CoolsInSink(IReadOnlyList<StepWords.Doing> doings) =>
        doings.Any(one => one.Appliance == Appliance.Sink)
        && doings.All(one => one.Appliance is null or Appliance.None or Appliance.Cooling or Appliance.Fridge or Appliance.Sink);

    /// <summary>Where something "cooks" that does not say where: at an oven's heat in it, else on the stove.</summary>
    private Appliance? CookedWhere(StepWords.Doing doing, string clause, int minutes) =>
        doing.IsAlone is not null ? null
        : StepWords.IsOnASetting(clause) && minutes >= LongOnASetting ? Appliance.SlowCooker
        : _isHot ? Appliance.Oven
        : Appliance.Burner;

    private void Take(StepMinutes.Duration duration, Appliance? place, string clause)
    {
        // What cools in a pot is off the stove.
        var where = _where == Appliance.Cooling && place == Appliance.Burner ? _where : place ?? _where ?? _putInto;
        _putInto = null;
        var isAlone =
            (
                _isAlone
                ?? where is not (null or Appliance.None or Appliance.Burner)
                    || duration.Minutes >= LongByHand
                    || (where == Appliance.Burner && duration.Minutes >= LongCooking)
            ) && !(where == Appliance.Burner && (_isWatched || StepMinutes.IsTurned(clause)));
        var sum = isAlone ? _alone : _byHand;
        sum = duration.IsInstead ? Math.Max(sum, duration.Minutes) : sum + duration.Minutes;
        (_byHand, _alone) = isAlone ? (_byHand, sum) : (sum, _alone);
        if (duration.Minutes > _longest)
        {
            (Appliance, _longest) = (where ?? Appliance.None, duration.Minutes);
        }
    }

    [GeneratedRegex(
        @"[,;]\s+(and )?(then )?|(?<=\D)\.\s+|\.{2,}\s*|\s+then\s+|\s+\(|\)\s*",
        RegexOptions.IgnoreCase | RegexOptions.ExplicitCapture
    )]
    private static partial Regex Clauses();
}

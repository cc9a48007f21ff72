using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify.Balance;

/// <summary>Players × level, line by line: who has the tune, and who covers it.</summary>
/// <remarks>Parts in unison or octaves are one line. The tune is the highest line that moves: among the lines with half as many notes as
/// the busiest in this measure and its neighbours, or more, and two pitches or more, the one that sounds highest; the director can name
/// another. It is covered where all the others together are more than six decibels above it. Common practice, no published source; the
/// bounds are ours.</remarks>
public static class BalanceDesk
{
    private const double Audible = 6;

    /// <summary>The balance of each measure in which anything sounds.</summary>
    /// <param name="context">What the station shares.</param>
    /// <param name="lines">The lines that parts share.</param>
    /// <param name="players">How many play a part.</param>
    /// <param name="tune">Ids of the parts that have the tune; null to find it.</param>
    public static IReadOnlyList<MeasureBalance> Of(
        UnifyContext context,
        IReadOnlyList<SharedLine> lines,
        Func<string, int> players,
        IReadOnlySet<string>? tune = null
    )
    {
        var notes = context.Score.Parts.ToDictionary(
            p => p.Id,
            p => p.Notes.Where(n => n is { IsGrace: false, IsCue: false, TopSounding: not null }).ToLookup(n => n.MeasureIndex)
        );
        var unisons = lines.Where(l => l.Kind is null).ToList();
        var balances = new List<MeasureBalance>();
        for (var m = 0; m < context.Score.Measures.Count; m++)
        {
            var measure = m;
            var sounding = context.Score.Parts.Where(p => notes[p.Id][measure].Any()).ToList();
            var groups = Groups(sounding, unisons.Where(l => l.Measures.From <= measure && l.Measures.To >= measure))
                .Select(g =>
                    Line(
                        context,
                        g,
                        [.. g.SelectMany(p => notes[p.Id][measure])],
                        players,
                        [.. g.Select(p => Around(notes[p.Id], measure))]
                    )
                )
                .ToList();
            if (TuneOf(groups, tune) is not { } leading)
                continue;
            var others = groups.Where(g => g != leading).ToList();
            balances.Add(new MeasureBalance(m, leading, Decibels.Sum(others.Select(o => o.Decibels)), others.Sum(o => o.Players)));
        }

        return balances;
    }

    /// <summary>Where the tune is covered, neighbouring measures of one tune together.</summary>
    public static IReadOnlyList<CoveredTune> Covered(UnifyContext context, IEnumerable<MeasureBalance> balances)
    {
        var found = new List<CoveredTune>();
        var run = new List<MeasureBalance>();
        foreach (var b in balances.Where(b => b.Cover > Audible))
        {
            if (run.Count > 0 && (b.Measure != run[^1].Measure + 1 || !b.Tune.Parts.SequenceEqual(run[^1].Tune.Parts)))
                Close();
            run.Add(b);
        }

        Close();
        return found;

        void Close()
        {
            if (run.Count > 0)
                found.Add(Told(context, run));
            run.Clear();
        }
    }

    private static CoveredTune Told(UnifyContext context, List<MeasureBalance> run)
    {
        var worst = run.MaxBy(b => b.Cover)!;
        var excess = worst.Cover - Audible;
        var steps = (int)Math.Ceiling(excess / Decibels.Step(context.House));
        var more = (int)Math.Ceiling(worst.Tune.Players * Math.Pow(10, excess / 10)) - worst.Tune.Players;
        var names = string.Join(", ", worst.Tune.Parts.Select(context.NameOf));
        var why = string.Create(
            CultureInfo.InvariantCulture,
            $"{worst.Tune.Players} on the tune against {worst.RestPlayers}: the others together are {worst.Cover:0.#} dB above "
                + $"it; more than {Audible:0} and it is hard to hear."
        );
        return new CoveredTune(
            run[0].Measure,
            run[^1].Measure,
            worst.Tune.Parts,
            Math.Round(worst.Cover, 1),
            why,
            [
                $"The others {Words(steps)} softer.",
                $"{names} {Words(steps)} louder.",
                $"{more} more player{(more == 1 ? "" : "s")} on the tune.",
            ]
        );
    }

    private static string Words(int steps) => steps == 1 ? "one step" : $"{steps} steps";

    private static LineLoudness? TuneOf(List<LineLoudness> groups, IReadOnlySet<string>? tune)
    {
        if (groups.Count == 0)
            return null;
        if (tune is not null)
            return groups.Where(g => g.Parts.Any(tune.Contains)).MaxBy(g => g.Parts.Count(tune.Contains));
        var busiest = groups.Max(g => g.Notes);
        return groups.Where(g => g.Notes * 2 >= busiest && g.Pitches > 1).DefaultIfEmpty(groups.MaxBy(g => g.Height)!).MaxBy(g => g.Height);
    }

    // A tune that holds a note for a measure is still the tune: its neighbours count too.
    private static List<Note> Around(ILookup<int, Note> notes, int measure) =>
        [.. notes[measure - 1], .. notes[measure], .. notes[measure + 1]];

    private static LineLoudness Line(
        UnifyContext context,
        List<Part> parts,
        List<Note> notes,
        Func<string, int> players,
        List<List<Note>> around
    )
    {
        var own = parts.Select(p => (Part: p, Notes: notes.Where(n => n.PartId == p.Id).ToList())).ToList();
        var levels = own.Select(o =>
            Decibels.OfLevel(context.House, context.LevelsOf(o.Part).At(o.Notes[0].Onset)?.Level ?? DynamicLevels.Default)
            + Decibels.OfPlayers(players(o.Part.Id))
        );
        var busiest = around.MaxBy(a => a.Count)!;
        return new LineLoudness(
            [.. parts.Select(p => p.Id)],
            parts.Sum(p => players(p.Id)),
            Decibels.Sum(levels),
            own.Max(o => o.Notes.Average(n => n.TopSounding!.Value)),
            busiest.Count,
            busiest.Select(n => n.TopSounding).Distinct().Count()
        );
    }

    private static List<List<Part>> Groups(List<Part> sounding, IEnumerable<SharedLine> lines)
    {
        var group = sounding.ToDictionary(p => p, p => new List<Part> { p });
        foreach (var line in lines)
        {
            var parts = line.Voices.Select(v => v.Part).Where(group.ContainsKey).Distinct().ToList();
            foreach (var other in parts.Skip(1).Where(o => group[o] != group[parts[0]]))
            {
                group[parts[0]].AddRange(group[other]);
                foreach (var member in group[other].ToList())
                    group[member] = group[parts[0]];
            }
        }

        return [.. group.Values.Distinct().Select(g => g.OrderBy(sounding.IndexOf).ToList())];
    }
}

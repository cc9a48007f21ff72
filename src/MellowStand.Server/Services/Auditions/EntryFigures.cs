using MellowStand.Core.Auditions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Performance;
using MellowStand.Core.Tempo;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>What the page of a set tells of an entry.</summary>
/// <param name="Heat">Mean heat of the measures asked, 0 to 1.</param>
/// <param name="Hottest">Heat of the hardest measure.</param>
/// <param name="Hardest">Label of the hardest measure; empty where nothing sounds.</param>
/// <param name="Seconds">Length at the tempo asked, without a count-off.</param>
/// <param name="Window">The workable tempi.</param>
/// <param name="Missed">What is often missed: id, title and label of the measure.</param>
/// <param name="Beyond">Notes outside the range.</param>
/// <param name="NotDone">What is not done, in words.</param>
public sealed record EntryFigures(
    double Heat,
    double Hottest,
    string Hardest,
    double Seconds,
    TempoWindow Window,
    IReadOnlyList<(string Id, string Title, string Measure)> Missed,
    int Beyond,
    IReadOnlyList<string> NotDone
);

/// <summary>Counts up an entry.</summary>
public sealed class EntryCounts(PieceDesk desk, QuietRepository quiets, AuditionRepository auditions)
{
    private const int MostMissed = 3;

    /// <summary>Measures that a round asks of a piece; null where the notice names a measure that the piece does not have.</summary>
    public static (int From, int To)? Range(OpenPiece piece, AskedRow asked)
    {
        var score = piece.Layer.Current;
        var from = asked.From.Length == 0 ? 0 : score.FindMeasure(asked.From);
        var to = asked.To.Length == 0 ? score.Measures.Count - 1 : score.FindMeasure(asked.To);
        return from is { } f && to is { } t && f <= t ? (f, t) : null;
    }

    /// <summary>The tempo that a piece is asked at: the lower end of what the notice says, else as printed.</summary>
    public static TempoMark Tempo(OpenPiece piece, EntryRow entry, int from)
    {
        var printed = piece.Layer.Study.Tempo.QuarterBpmAt(from) / entry.Unit.Quarters.Value;
        return new TempoMark(entry.Unit, entry.Slowest ?? printed);
    }

    /// <summary>Seconds that measures last at the tempo asked, repeats taken.</summary>
    public static double Seconds(OpenPiece piece, EntryRow entry, int from, int to)
    {
        var study = piece.Layer.Study;
        var performer = new Performer(study.Score, study.Tempo, study.House, study.LevelsOf);
        var played = performer.Perform(
            new PerformanceRequest([study.Score.Parts[0].Id], from, to, Tempo(piece, entry, from))
            {
                Repeats = Repeats.Played,
                CountsOff = false,
            }
        );
        return Math.Round(played.Seconds - played.StartsAt, 1);
    }

    /// <summary>The figures of every entry, over all that any round asks.</summary>
    public IReadOnlyDictionary<long, EntryFigures> Of(AuditionRow set)
    {
        var handed = auditions.HandedOut(set.Id).Select(h => h.Entry).ToHashSet();
        var pieces = desk.Open(set.Entries.Select(e => e.Piece));
        var quiet = Quiet.Of(quiets, [.. pieces.Values]);
        return set
            .Entries.Where(e => pieces.ContainsKey(e.Piece))
            .ToDictionary(e => e.Id, e => Of(set, e, pieces[e.Piece], quiet[e.Piece], handed.Contains(e.Id)));
    }

    private static EntryFigures Of(AuditionRow set, EntryRow entry, OpenPiece piece, Quiet quiet, bool isHanded)
    {
        var part = piece.Layer.Current.Parts[0];
        var ranges = entry.Asked.Select(a => Range(piece, a)).OfType<(int From, int To)>().ToList();
        var (from, to) = ranges.Count == 0 ? (0, piece.Layer.Current.Measures.Count - 1) : (ranges.Min(r => r.From), ranges.Max(r => r.To));
        var heat = piece.Layer.Heat.Where(h => h.Part == part.Id && h.Measure >= from && h.Measure <= to).ToList();
        var hottest = heat.MaxBy(h => h.Heat);
        var found = piece.Layer.Findings.Where(f => f.From <= to && f.To >= from && !quiet.Holds(f)).ToList();
        var beyond = Beyond(piece, entry, part, from, to);
        return new EntryFigures(
            heat.Count == 0 ? 0 : Math.Round(heat.Average(h => h.Heat), 3),
            hottest is null ? 0 : Math.Round(hottest.Heat, 3),
            hottest is null ? "" : piece.Label(hottest.Measure),
            Seconds(piece, entry, from, to),
            TempoWindows.Of(
                piece.Layer.Study,
                part,
                from,
                to,
                new WhoPlays(piece.Layer.Study.LevelOf(part).Level, piece.Layer.Knowledge.HandsOf(part.Id))
            ),
            [
                .. found
                    .Where(f => f.Severity >= Core.Study.Severity.Warn)
                    .OrderBy(f => piece.Layer.Ranks.GetValueOrDefault(f.Id, int.MaxValue))
                    .DistinctBy(f => f.Title)
                    .Take(MostMissed)
                    .Select(f => (f.Id, f.Title, piece.Label(f.From))),
            ],
            beyond,
            [.. NotDone(set, entry, piece, isHanded, found.Count(f => f.Severity >= Core.Study.Severity.Warn && quiet.SaidOf(f) is null))]
        );
    }

    private static int Beyond(OpenPiece piece, EntryRow entry, Part part, int from, int to)
    {
        if (Catalog.Find(entry.Instrument) is not { } instrument)
            return 0;
        var range = instrument.Ranges.At(piece.Layer.Study.LevelOf(part).Level);
        return part
            .Notes.Where(n => n.Sounds && !n.IsTieContinuation && n.MeasureIndex >= from && n.MeasureIndex <= to)
            .Sum(n => n.Heads.Count(h => h.Written is { } w && !range.Holds(w)));
    }

    private static IEnumerable<string> NotDone(AuditionRow set, EntryRow entry, OpenPiece piece, bool isHanded, int unread)
    {
        foreach (var asked in entry.Asked.Where(a => Range(piece, a) is null))
            yield return $"{set.Rounds.First(r => r.Id == asked.Round).Name} asks measures {asked.From}–{asked.To}, which are not there";
        if (entry.Asked.Count == 0)
            yield return "no round asks for it";
        if (unread > 0)
            yield return $"{unread} {(unread == 1 ? "finding" : "findings")} to review";
        if (!set.Candidates.Any(c => c.Instrument == entry.Instrument))
            yield return "nobody auditions on it";
        else if (!isHanded)
            yield return "hand out its passages";
    }
}

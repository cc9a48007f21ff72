using MellowStand.Core.Assign;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>How hard a passage that is handed out is, and how long it takes to learn.</summary>
/// <param name="Minutes">All sessions together.</param>
/// <param name="Heat">Its heat, 0 to 1.</param>
/// <param name="Measures">Label and heat of each measure.</param>
public sealed record LearningTime(int Minutes, double Heat, IReadOnlyList<(string Label, double Heat)> Measures);

/// <summary>Works out how long passages take, at the pace that the school's log shows.</summary>
public sealed class LearningTimes(PieceDesk desk, PassageRepository passages, LogRepository log)
{
    private static readonly LearningTime Unknown = new(30, 0.3, []);

    /// <summary>Minutes that this school takes for what would take one.</summary>
    public double Pace()
    {
        var rows = passages.All().ToDictionary(p => p.Id);
        return LearnedPace.Of(
            log.All()
                .Where(l => l.Clean && rows.ContainsKey(l.Passage))
                .GroupBy(l => (l.Passage, l.Player))
                .Select(g => ClimbOf(rows[g.Key.Passage], g.First()))
        );
    }

    /// <summary>The time of a passage.</summary>
    public LearningTime Of(PassageRow passage, double pace) => Of([passage], pace)[passage.Id];

    /// <summary>The times of passages. Where one has no place in its edition any more, a middle one.</summary>
    public IReadOnlyDictionary<PassageId, LearningTime> Of(IReadOnlyList<PassageRow> handed, double pace)
    {
        var pieces = desk.Open(handed.Where(p => p.IsPlaced).Select(p => p.PieceId));
        return handed.ToDictionary(
            p => p.Id,
            p => p.IsPlaced && pieces.TryGetValue(p.PieceId, out var piece) ? Of(piece, p.Place, pace) : Unknown
        );
    }

    private static LearningTime Of(OpenPiece piece, Address place, double pace)
    {
        var cells = piece.Layer.Heat.Where(c => place.Parts.Contains(c.Part) && place.Meets(c.Measure, c.Measure)).ToList();
        var hot = cells.GroupBy(c => c.Measure).OrderBy(g => g.Key).Select(g => (piece.Label(g.Key), Heat: g.Max(c => c.Heat))).ToList();
        var heat = hot.Select(h => h.Heat).DefaultIfEmpty().Average();
        var seconds = Enumerable.Range(place.From.Index, place.Measures).Sum(m => Seconds(piece.Layer.Study, m));
        var notes = piece
            .Layer.Current.Parts.Where(p => place.Parts.Contains(p.Id))
            .Select(p =>
                p.Measures.Where(m => place.Meets(m.Index, m.Index)).Sum(m => m.Notes.Count(n => n is { Sounds: true, IsCue: false }))
            )
            .DefaultIfEmpty()
            .Max();
        return new LearningTime(LearningMinutes.Of(notes, seconds, heat, pace).Minutes, heat, hot);
    }

    private static double Seconds(StudyContext study, int measure) => study.Seconds(measure, study.Score.Measures[measure].Length);

    private static Climb ClimbOf(PassageRow passage, LogRow newest)
    {
        var (start, goal) = (passage.Start.QuarterBpm, passage.Goal.QuarterBpm);
        var days = Math.Max(1, passage.Due.DayNumber - passage.Begins.DayNumber);
        var way = goal <= start ? 1 : (newest.Tempo.QuarterBpm - start) / (goal - start);
        return new Climb(Math.Clamp((newest.Heard.DayNumber - passage.Begins.DayNumber) / (double)days, 0, 1), Math.Clamp(way, 0, 1));
    }
}

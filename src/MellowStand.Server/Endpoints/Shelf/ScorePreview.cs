using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Server.Endpoints;

/// <summary>A part of a file that is not kept yet.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its printed name.</param>
/// <param name="InstrumentId">The instrument's key, or null when nothing fits.</param>
/// <param name="Confidence">0 to 1.</param>
/// <param name="Desk">The desk number in its name, or null.</param>
/// <param name="Notes">How many notes it has.</param>
/// <param name="Transpose">Sounding minus written, in semitones.</param>
public sealed record PreviewPart(string Id, string Name, string? InstrumentId, double Confidence, string? Desk, int Notes, int Transpose);

/// <summary>A place where key or meter changes, or where tempo words stand.</summary>
public sealed record PreviewPlace(string Measure, string What);

/// <summary>A stretch of measures played in a row.</summary>
public sealed record PreviewRun(string From, string To, int Measures);

/// <summary>What was read of a file before it is kept.</summary>
public sealed record ScorePreview(
    string FileName,
    string Title,
    string? Composer,
    IReadOnlyList<PreviewPart> Parts,
    int Measures,
    IReadOnlyList<PreviewPlace> Keys,
    IReadOnlyList<PreviewPlace> Meters,
    IReadOnlyList<PreviewPlace> Tempos,
    IReadOnlyList<PreviewRun> Order,
    int Played,
    IReadOnlyList<string> Warnings
)
{
    /// <summary>Sums a score up.</summary>
    public static ScorePreview Of(string fileName, Score score, IReadOnlyDictionary<string, string> learned)
    {
        var first = score.Parts[0];
        var back = new Transposition(-first.Transposition.Diatonic, -first.Transposition.Chromatic, 0);
        return new ScorePreview(
            fileName,
            score.Title,
            score.Composer,
            [.. score.Parts.Select(p => Part(p, learned))],
            score.Measures.Count,
            Changes(score, m => first.Measures[m.Index].Key.Written(back).CountName),
            Changes(score, m => m.Meter.ToString()),
            [.. new TempoLine(score).Signs.Select(s => new PreviewPlace(score.Measures[s.Measure].Label, s.Text))],
            Runs(score),
            score.PlayedOrder.Count,
            score.Warnings
        );
    }

    private static PreviewPart Part(Part part, IReadOnlyDictionary<string, string> learned)
    {
        var found = Recognition.Of(part, learned);
        return new PreviewPart(
            part.Id,
            part.Name,
            found.Instrument?.Id,
            found.Confidence,
            found.Desk,
            part.Notes.Count(n => n.Sounds),
            part.Transposition.Semitones
        );
    }

    private static List<PreviewPlace> Changes(Score score, Func<MeasureFrame, string> of)
    {
        var places = new List<PreviewPlace>();
        foreach (var m in score.Measures)
            if (places.Count == 0 || places[^1].What != of(m))
                places.Add(new PreviewPlace(m.Label, of(m)));
        return places;
    }

    private static List<PreviewRun> Runs(Score score)
    {
        var runs = new List<(int From, int To)>();
        foreach (var i in score.PlayedOrder)
        {
            if (runs.Count > 0 && runs[^1].To + 1 == i)
                runs[^1] = (runs[^1].From, i);
            else
                runs.Add((i, i));
        }

        return [.. runs.Select(r => new PreviewRun(score.Measures[r.From].Label, score.Measures[r.To].Label, r.To - r.From + 1))];
    }
}

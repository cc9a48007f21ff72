using MellowStand.Core.Layers;
using MellowStand.Core.Notation;
using MellowStand.Core.Performance;
using MellowStand.Core.Reading;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;
using MellowStand.Server.Services;

namespace MellowStand.Server.Endpoints;

/// <summary>Performs what is asked for of a score, and shows it.</summary>
public static class Performing
{
    private const int MostSubdivision = 4;
    private const int MostMeasures = 64;

    private static readonly Dictionary<string, ClickGame> Games = new()
    {
        ["none"] = ClickGame.None,
        ["silent-measures"] = ClickGame.SilentMeasures,
        ["off-beat"] = ClickGame.OffBeat,
        ["every-nth"] = ClickGame.EveryNth,
        ["fade-out"] = ClickGame.FadeOut,
    };

    private static readonly Dictionary<string, Repeats> RepeatWords = new() { ["once"] = Repeats.Once, ["played"] = Repeats.Played };

    private static readonly Dictionary<ClickRank, string> Ranks = new()
    {
        [ClickRank.Accent] = "accent",
        [ClickRank.Beat] = "beat",
        [ClickRank.Subdivision] = "subdivision",
    };

    /// <summary>Performs a range of a piece with its decisions.</summary>
    /// <exception cref="Refusal">What is asked makes no sense.</exception>
    public static PerformedRange Perform(Layer layer, PerformanceRequestView request) =>
        Perform(layer.Study, new AddressBook(layer.Edition.Id, layer.Current), request);

    /// <summary>Performs a range of any score.</summary>
    /// <param name="study">What is known of the score.</param>
    /// <param name="book">Its addresses.</param>
    /// <param name="request">What is asked.</param>
    /// <exception cref="Refusal">What is asked makes no sense.</exception>
    public static PerformedRange Perform(StudyContext study, AddressBook book, PerformanceRequestView request)
    {
        var place = book.OfParts(request.Parts ?? [.. study.Score.Parts.Select(p => p.Id)], request.From, request.To);
        var tempo = TempoOf(study, place.From.Index, request);
        return new Performer(study.Score, study.Tempo, study.House, study.LevelsOf).Perform(
            new PerformanceRequest(place.Parts, place.From.Index, place.To.Index, tempo)
            {
                Repeats = Known(RepeatWords, request.Repeats ?? "once", "Repeats are"),
                Click = PlanOf(request.Click),
                CountsOff = request.CountOff,
            }
        );
    }

    /// <summary>A performance as the interface shows it.</summary>
    /// <param name="study">What is known of the score.</param>
    /// <param name="p">The performance.</param>
    public static PerformanceView View(StudyContext study, PerformedRange p) =>
        new(
            Round(p.Seconds),
            Round(p.StartsAt),
            [
                .. p.Clicks.Select(c => new PerformedClickView(
                    Round(c.Seconds),
                    c.IsAccent,
                    c.Measure is { } m ? study.Score.Measures[m].Label : null,
                    c.IsCountOff,
                    c.Measure,
                    c.Beat,
                    Ranks[c.Rank],
                    Math.Round(c.Level, 3)
                )),
            ],
            [.. p.Notes.Select(n => new PerformedNoteView(n.Id, n.Part, Round(n.Seconds), Round(n.Length), n.Midi, n.Velocity))],
            [.. p.Pace.Steps.Select(s => new TempoStepView(Round(s.Seconds), Math.Round(s.QuarterBpm, 6)))],
            [
                .. study
                    .Score.Parts.Where(x => p.Notes.Any(n => n.Part == x.Id))
                    .Select(x => new SoundingPartView(x.Id, Timbres.Of(x, study.InstrumentOf(x)))),
            ]
        );

    // A tenth of a millisecond is finer than any ear, and short enough to send.
    private static double Round(double seconds) => Math.Round(seconds, 5);

    private static TempoMark TempoOf(StudyContext study, int first, PerformanceRequestView request)
    {
        var unit = request.Unit ?? (BeatUnit.OfLength(ToldUnit.At(study, first).Quarters) ?? BeatUnit.Quarter).Name;
        var printed = study.Tempo.QuarterBpmAt(first) / (BeatUnit.Find(unit)?.Quarters.Value ?? 1);
        return TempoEndpoints.Playable(new TempoView(unit, request.Bpm ?? printed));
    }

    private static ClickPlan PlanOf(ClickPlanView? view)
    {
        if (view is null)
            return ClickPlan.Plain;
        var game = Known(Games, view.Game ?? "none", "The games of the click are");
        return new ClickPlan(
            Bounded(view.Subdivision ?? 1, MostSubdivision, "A beat is divided into"),
            game,
            Bounded(view.On ?? 2, MostMeasures, "Measures with the click are"),
            Bounded(view.Off ?? 2, MostMeasures, "Measures without the click are")
        );
    }

    private static int Bounded(int value, int most, string what) =>
        value >= 1 && value <= most ? value : throw Refusal.BadRequest($"{what} 1 to {most}; {value} makes no sense.");

    private static T Known<T>(Dictionary<string, T> table, string word, string what) =>
        table.TryGetValue(word, out var value) ? value : throw Refusal.BadRequest($"{what} {string.Join(", ", table.Keys)}.");
}

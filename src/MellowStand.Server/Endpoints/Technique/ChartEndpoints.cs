using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Charts;
using MellowStand.Core.Technique.Trills;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>An instrument of the chart page.</summary>
/// <param name="Instrument">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Family">Its family.</param>
/// <param name="Has"><c>chart</c>, <c>sticks</c>, or <c>none</c>: the product does not guess.</param>
/// <param name="Corrections">How many corrections the school has made.</param>
/// <param name="Options">What differs from player to player.</param>
public sealed record ChartRow(
    string Instrument,
    string Name,
    string Family,
    string Has,
    int Corrections,
    IReadOnlyList<OptionView> Options
);

/// <summary>A key of a diagram.</summary>
public sealed record ChartKeyView(string Id, string Label, int X, int Y, string Shape);

/// <summary>A fingering of a note.</summary>
/// <param name="Code">The code of the technique station.</param>
/// <param name="Sign">What players write.</param>
/// <param name="Keys">What is pressed.</param>
/// <param name="Name">A plain name.</param>
/// <param name="When">When it is taken.</param>
/// <param name="Cents">Tendency in cents, sharp is positive; null where none is told.</param>
/// <param name="Standing">The school's correction, or null.</param>
public sealed record FingeringView(
    string Code,
    string Sign,
    IReadOnlyList<string> Keys,
    string Name,
    string When,
    double? Cents,
    string? Standing
);

/// <summary>A trill to a neighbour above.</summary>
public sealed record ChartTrillView(string Upper, string Quality, string How);

/// <summary>A note of the chart.</summary>
public sealed record ChartNoteView(
    string Written,
    int Midi,
    IReadOnlyList<FingeringView> Fingerings,
    IReadOnlyList<FingeringView> Struck,
    IReadOnlyList<ChartTrillView> Trills
);

/// <summary>What a player's instrument may have.</summary>
public sealed record OptionView(string Id, string Name, bool Usual);

/// <summary>A chart.</summary>
public sealed record ChartView(
    string Instrument,
    string Name,
    string Kind,
    IReadOnlyList<ChartKeyView> Keys,
    string Source,
    IReadOnlyList<OptionView> Options,
    IReadOnlyList<ChartNoteView> Notes
);

/// <summary>Fingering charts, with the school's corrections.</summary>
public static class ChartEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapCharts(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/charts").WithTags("Charts");
        group.MapGet("", All);
        group.MapGet("/{instrument}", One);
        group.MapPut("/{instrument}/corrections", Correct);
        group.MapDelete("/{instrument}/corrections/{written:int}/{code}", TakeBack);
    }

    private static Ok<List<ChartRow>> All(ChartRepository charts)
    {
        var counts = charts.All().GroupBy(c => c.Instrument).ToDictionary(g => g.Key, g => g.Count());
        return TypedResults.Ok(
            Catalog
                .All.Select(i => new ChartRow(i.Id, i.Name, i.Family.ToString(), HasOf(i), counts.GetValueOrDefault(i.Id), OptionsOf(i)))
                .ToList()
        );
    }

    private static Ok<ChartView> One(string instrument, ChartRepository charts, HouseRepository house) =>
        TypedResults.Ok(View(Known(instrument), charts, house));

    private static Ok<ChartView> Correct(
        string instrument,
        CorrectionEdit edit,
        HttpContext http,
        ChartRepository charts,
        HouseRepository house,
        TimeProvider clock
    )
    {
        var known = Known(instrument);
        var correction = ChartCheck.Read(known, ChartOf(known, [], house), edit);
        charts.Correct(correction, http.User.Identity?.Name ?? "unknown", clock.GetUtcNow());
        return TypedResults.Ok(View(known, charts, house));
    }

    private static Ok<ChartView> TakeBack(string instrument, int written, string code, ChartRepository charts, HouseRepository house)
    {
        var known = Known(instrument);
        if (!charts.Remove(instrument, written, code))
            throw Refusal.NotFound("There is no such correction. Load the chart again.");
        return TypedResults.Ok(View(known, charts, house));
    }

    private static string HasOf(Instrument instrument) =>
        TechniqueCatalog.Of(instrument) switch
        {
            null => "none",
            { Chart: null } => "sticks",
            _ => "chart",
        };

    private static List<OptionView> OptionsOf(Instrument instrument) =>
        [.. InstrumentOptions.For(instrument.Id).Select(o => new OptionView(o.Id, o.Name, o.IsUsual))];

    private static Instrument Known(string id) =>
        Catalog.Find(id) ?? throw Refusal.NotFound("There is no such instrument. Choose one from /api/charts.");

    private static FingeringChart ChartOf(Instrument instrument, IReadOnlyList<ChartCorrection> corrections, HouseRepository house) =>
        TechniqueCatalog.Of(instrument, Hands.Usual(instrument.Id) with { Corrections = corrections }, house.House())?.Chart?.Value
        ?? throw Refusal.NotFound($"There is no chart for {instrument.Name}. " + WhyNone(instrument));

    private static string WhyNone(Instrument instrument) =>
        instrument.Family == Family.Percussion ? "Sticks need none: the technique station plans the hands." : "The product does not guess.";

    private static ChartView View(Instrument instrument, ChartRepository charts, HouseRepository house)
    {
        var own = charts.All().Where(c => c.Instrument == instrument.Id).ToList();
        var (chart, printed) = (ChartOf(instrument, own, house), ChartOf(instrument, [], house));
        FingeringView Fingering(Fingering f, int written) =>
            new(
                f.Code,
                f.Placement.Sign,
                f.Keys,
                f.Name,
                f.When,
                f.Cents,
                own.FirstOrDefault(c => c.Written == written && c.Code == f.Code)?.Standing
            );
        ChartNoteView Note(ChartNote n)
        {
            var midi = n.Written.Midi;
            var struck = printed.At(midi).Where(f => n.Fingerings.All(k => k.Code != f.Code));
            var trills = new[] { 1, 2 }
                .Where(s => chart.At(midi + s).Count > 0)
                .Select(s =>
                    (Upper: chart.Notes.First(x => x.Written.Midi == midi + s).Written, Advice: TrillAdvice.Of(chart, midi, midi + s))
                );
            return new ChartNoteView(
                n.Written.ToString(),
                midi,
                [.. n.Fingerings.Select(f => Fingering(f, midi))],
                [.. struck.Select(f => Fingering(f, midi))],
                [.. trills.Select(t => new ChartTrillView(t.Upper.ToString(), t.Advice.Quality, t.Advice.How))]
            );
        }

        return new ChartView(
            instrument.Id,
            instrument.Name,
            chart.Kind,
            [.. chart.Keys.Select(k => new ChartKeyView(k.Id, k.Label, k.X, k.Y, k.Shape))],
            chart.Source,
            OptionsOf(instrument),
            [.. chart.Notes.Select(Note)]
        );
    }
}

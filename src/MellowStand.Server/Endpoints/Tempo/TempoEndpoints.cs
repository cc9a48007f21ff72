using MellowStand.Core.Tempo;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A unit and beats per minute.</summary>
public sealed record TempoView(string Unit, double Bpm);

/// <summary>A ladder to compute.</summary>
/// <param name="Start">The first tempo.</param>
/// <param name="Goal">The last tempo.</param>
/// <param name="By"><c>step</c>, <c>percent</c>, <c>marks</c> or <c>count</c>.</param>
/// <param name="Value">Beats per minute, percent, marks at a time, or number of steps.</param>
/// <param name="Days">Days to spread it over; 1 when left out.</param>
/// <param name="Way"><c>straight</c>, the default, or <c>two-up-one-back</c>.</param>
/// <param name="Past">Percent beyond the goal that are tried before it; none when left out.</param>
public sealed record LadderRequest(
    TempoView? Start,
    TempoView? Goal,
    string? By,
    double? Value,
    int? Days,
    string? Way = null,
    double? Past = null
);

/// <summary>One rung.</summary>
public sealed record StepView(string Unit, double Bpm, double QuarterBpm, int Day);

/// <summary>A ladder.</summary>
/// <param name="Steps">Its steps.</param>
/// <param name="MoveOn">When to go up a step and when back, by the house.</param>
public sealed record LadderView(IReadOnlyList<StepView> Steps, string MoveOn);

/// <summary>What the piece itself says of the tempo of a range.</summary>
/// <param name="Unit">The beat unit to start in.</param>
/// <param name="Bpm">Beats per minute printed, or from the tempo word.</param>
/// <param name="Printed">True when a metronome mark is printed.</param>
/// <param name="StartUnit">Unit of a first step.</param>
/// <param name="StartBpm">Tempo of a first step: about six tenths of the goal.</param>
/// <param name="By">How the house climbs: <c>step</c>, <c>percent</c> or <c>marks</c>.</param>
public sealed record TempoHint(string Unit, double Bpm, bool Printed, string StartUnit, double StartBpm, string By);

/// <summary>Tempo: ladders and clicks.</summary>
public static class TempoEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapTempo(this RouteGroupBuilder api)
    {
        api.MapPost("/tempo/ladder", Climb).WithTags("Tempo");
        api.MapGet("/pieces/{id:long}/tempo", Hint).KeepAnswer().WithTags("Tempo");
    }

    /// <summary>Reads a tempo.</summary>
    /// <exception cref="LadderException">The unit is unknown.</exception>
    public static TempoMark Mark(TempoView? tempo, string name)
    {
        if (tempo is null)
            throw new LadderException($"The ladder needs a {name}: {{unit, bpm}}.");
        var unit =
            BeatUnit.Find(tempo.Unit)
            ?? throw new LadderException(
                $"The unit of the {name} is not known. Use one of {string.Join(", ", BeatUnit.All.Select(u => u.Name))}."
            );
        return new TempoMark(unit, tempo.Bpm);
    }

    /// <summary>Reads a tempo that a click can run at.</summary>
    /// <exception cref="LadderException">It is out of bounds.</exception>
    public static TempoMark Playable(TempoView tempo)
    {
        var mark = Mark(tempo, "click");
        return double.IsFinite(mark.Bpm) && mark.Bpm is > 0 and <= 1000
            ? mark
            : throw new LadderException("A click runs at more than 0 and at most 1000 beats a minute.");
    }

    /// <summary>A tempo as the interface shows it.</summary>
    public static TempoView View(TempoMark mark) => new(mark.Unit.Name, mark.Bpm);

    private static LadderWay WayOf(LadderRequest request) =>
        request.Way switch
        {
            null or "straight" => new LadderWay(false, request.Past ?? 0),
            "two-up-one-back" => new LadderWay(true, request.Past ?? 0),
            _ => throw new LadderException("The way over a ladder is straight or two-up-one-back."),
        };

    private static Ok<LadderView> Climb(LadderRequest request, HouseRepository house)
    {
        var by = LadderWords.Read(request.By);
        if (request.Value is null && by != LadderBy.Marks)
            throw new LadderException($"A ladder by {request.By} needs a value.");
        var steps = Ladder.Climb(
            Mark(request.Start, "start"),
            Mark(request.Goal, "goal"),
            by,
            request.Value ?? 1,
            request.Days ?? 1,
            WayOf(request)
        );
        return TypedResults.Ok(
            new LadderView(
                [.. steps.Select(s => new StepView(s.Mark.Unit.Name, s.Mark.Bpm, Math.Round(s.Mark.QuarterBpm, 4), s.Day))],
                MoveOn.Words(house.House())
            )
        );
    }

    private static Ok<TempoHint> Hint(long id, PieceDesk desk, string? from = null)
    {
        var piece = desk.Open(id);
        var first = piece.Book.Read(null, from, null).From.Index;
        var printed = piece.Layer.Study.Tempo.MarkAt(first);
        var quarter = GoalTempo.QuarterBpmAt(piece.Layer.Study.Tempo, piece.Layer.Knowledge.House, first);
        var beat = printed is null ? piece.Layer.Current.Measures[first].Meter.BeatUnit : printed.Unit;
        var unit = BeatUnit.OfLength(beat) ?? BeatUnit.Quarter;
        var bpm = Math.Round(quarter / unit.Quarters.Value, 1);
        return TypedResults.Ok(
            new TempoHint(
                unit.Name,
                bpm,
                printed is not null,
                unit.Name,
                Math.Max(30, Math.Round(bpm * 0.6)),
                piece.Layer.Knowledge.House["ladder"]
            )
        );
    }
}

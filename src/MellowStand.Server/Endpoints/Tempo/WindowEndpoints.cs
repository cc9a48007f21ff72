using MellowStand.Core.Tempo;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>The slow end of a window.</summary>
/// <param name="QuarterBpm">Quarters per minute.</param>
/// <param name="Measure">Label of the measure that sets it.</param>
/// <param name="Why">What sets it.</param>
public sealed record WindowEndView(double QuarterBpm, string Measure, string Why);

/// <summary>A printed tempo or range in quarters per minute.</summary>
public sealed record PrintedTempoView(double From, double To);

/// <summary>The tempi at which a passage can be worked at and reached; what does not exist is null.</summary>
/// <param name="Slowest">The slowest at which every phrase fits a breath or a bow.</param>
/// <param name="Fastest">The fastest that is clean.</param>
/// <param name="Printed">What is printed.</param>
/// <param name="Start">Where to begin.</param>
/// <param name="Goal">Where to arrive.</param>
/// <param name="Why">All this in words.</param>
public sealed record WindowView(
    WindowEndView? Slowest,
    WindowEndView? Fastest,
    PrintedTempoView? Printed,
    TempoView? Start,
    TempoView? Goal,
    string Why
)
{
    /// <summary>Labels of its first and last measure.</summary>
    public required IReadOnlyList<string> Measures { get; init; }

    /// <summary>False where the tempo is a guess, since none is printed.</summary>
    public required bool Known { get; init; }

    /// <summary>The windows of the tempos that follow in the range.</summary>
    public IReadOnlyList<WindowView> Later { get; init; } = [];
}

/// <summary>The window of workable tempi of a part and range, for one player where named.</summary>
public static class WindowEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapWindow(this RouteGroupBuilder api) => api.MapGet("/pieces/{id:long}/tempo/window", Window).WithTags("Tempo");

    private static Ok<WindowView> Window(
        long id,
        PieceDesk desk,
        WhoPlaysDesk who,
        string? part = null,
        string? from = null,
        string? to = null,
        long? player = null
    )
    {
        var piece = desk.Open(id);
        var own = piece.Part(part ?? who.PartOf(piece, player));
        var place = piece.Book.OfParts([own.Id], from, to);
        var windows = TempoWindows.Each(piece.Layer.Study, own, place.From.Index, place.To.Index, who.Of(piece, place, player));
        return TypedResults.Ok(View(piece, windows[0]) with { Later = [.. windows.Skip(1).Select(w => View(piece, w))] });
    }

    private static WindowView View(OpenPiece piece, (int From, int To, TempoWindow Window) at)
    {
        var window = at.Window;
        return new WindowView(
            End(piece, window.Slowest),
            End(piece, window.Fastest),
            window.Printed is { } p ? new PrintedTempoView(p.From, p.To) : null,
            Mark(window.Start),
            Mark(window.Goal),
            window.Why
        )
        {
            Measures = [piece.Label(at.From), piece.Label(at.To)],
            Known = piece.Layer.Study.Tempo.IsKnownAt(at.From),
        };
    }

    private static WindowEndView? End(OpenPiece piece, WindowEnd? end) =>
        end is null ? null : new WindowEndView(end.QuarterBpm, piece.Label(end.Measure), end.Why);

    private static TempoView? Mark(TempoMark? mark) => mark is null ? null : TempoEndpoints.View(mark);
}

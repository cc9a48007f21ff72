namespace MellowStand.Core.Auditions;

/// <summary>How a recording is taken.</summary>
public enum TakeWay
{
    /// <summary>All pieces in one take, in the order asked.</summary>
    OneTake,

    /// <summary>A take for each piece.</summary>
    ByPiece,
}

/// <summary>A piece of a take.</summary>
/// <param name="Title">What it is called.</param>
/// <param name="Seconds">How long it lasts at its tempo.</param>
public sealed record TakePiece(string Title, double Seconds);

/// <summary>A line to tick off.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Words">What to do.</param>
public sealed record TakeLine(string Name, string Words);

/// <summary>What to see to when an audition is recorded.</summary>
/// <remarks>No click in a recording, the order of the pieces, one take or several, names not spoken where listeners do not see: common
/// practice, no published source. The rules of whoever holds the audition come before this list.</remarks>
public static class TakeCheckList
{
    private const double BetweenPieces = 8;
    private const double CloseToMinute = 10;

    /// <summary>The lines for a round.</summary>
    /// <param name="way">How it is recorded.</param>
    /// <param name="isScreened">True where listeners must not know who plays.</param>
    /// <param name="pieces">The pieces in their order.</param>
    public static IReadOnlyList<TakeLine> Of(TakeWay way, bool isScreened, IReadOnlyList<TakePiece> pieces)
    {
        var order = string.Join(", then ", pieces.Select(p => p.Title));
        return
        [
            new("rules", "Read the rules of whoever holds the audition: where they say otherwise, they count."),
            new("no-click", "No click in the recording: hear the tempo beforehand, then switch the click off, in the ears too."),
            new(
                "order",
                pieces.Count == 0 ? "No piece is asked in this round yet." : $"The order: {order}. Breathe and set the next tempo in mind."
            ),
            way == TakeWay.OneTake
                ? new("one-take", "One take from the first note to the last: no cut, no stop. A new try begins again from the start.")
                : new("by-piece", "One take for each piece, each without a cut. Keep the best of each and delete nothing before the end."),
            isScreened
                ? new("names", "Say no name, not even the school's, and name the file by the number: listeners must not know who plays.")
                : new("names", "Say name, school and instrument before the first piece, if the rules ask for it."),
            new(
                "room",
                "A quiet room with some ring; the microphone two to three steps away, a little above; no effects, no automatic level."
            ),
            new("tune", "Tune first, record ten loud seconds, and listen whether they are distorted."),
            new("length", Length(way, pieces)),
            new("listen", "Listen to the whole take once before it is sent: is everything there, from the first breath to the last ring?"),
        ];
    }

    /// <summary>Length of a take in seconds, with the breaths between pieces.</summary>
    public static double Seconds(IReadOnlyList<TakePiece> pieces) =>
        pieces.Sum(p => p.Seconds) + (BetweenPieces * Math.Max(0, pieces.Count - 1));

    /// <summary>Minutes and seconds as told: <c>3:05</c>.</summary>
    public static string Clock(double seconds)
    {
        var whole = (int)Math.Round(seconds);
        return $"{whole / 60}:{whole % 60:00}";
    }

    private static string Length(TakeWay way, IReadOnlyList<TakePiece> pieces)
    {
        if (way == TakeWay.ByPiece)
            return "Lengths: " + string.Join(", ", pieces.Select(p => $"{p.Title} {Clock(p.Seconds)}")) + ".";
        var seconds = Seconds(pieces);
        var near = 60 - (seconds % 60) < CloseToMinute ? " Leave room: it is close to the full minute." : "";
        return $"The take lasts about {Clock(seconds)}, with {BetweenPieces:0} seconds between two pieces.{near}";
    }
}

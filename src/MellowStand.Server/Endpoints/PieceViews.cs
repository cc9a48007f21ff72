using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>A part as the interface shows it.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its printed name.</param>
/// <param name="Instrument">The instrument's name, or null when it was not recognised.</param>
/// <param name="Transpose">Sounding minus written, in semitones.</param>
/// <param name="InstrumentId">The instrument's key in the catalog, or null.</param>
/// <param name="Confidence">0 to 1: how sure the recognition is.</param>
/// <param name="Desk">The desk number in its name, or null.</param>
/// <param name="CanSplit">True for a part on one staff that two players may read.</param>
public sealed record PartView(
    string Id,
    string Name,
    string? Instrument,
    int Transpose,
    string? InstrumentId,
    double Confidence,
    string? Desk,
    bool CanSplit
);

/// <summary>A measure on the strip.</summary>
public sealed record FrameView(
    int Index,
    string Label,
    string? Rehearsal,
    string Meter,
    string Key,
    bool Pickup,
    string Length,
    double QuarterBpm
);

/// <summary>One piece.</summary>
public sealed record PieceView(
    long Id,
    string Title,
    IReadOnlyList<string> Measures,
    IReadOnlyList<PartView> Parts,
    IReadOnlyList<string> Warnings,
    string Kind,
    string? EtudeSet,
    DateOnly? Due,
    int? DaysLeft,
    string FileName,
    IReadOnlyList<FrameView> Frames
)
{
    /// <summary>Builds the view of an open piece.</summary>
    public static PieceView Of(PieceRow row, OpenPiece piece, DateOnly today) =>
        new(
            row.Id,
            row.Title,
            [.. piece.Printed.Measures.Select(m => m.Label)],
            [.. piece.Printed.Parts.Select(p => Part(p, piece))],
            piece.Printed.Warnings,
            row.Kind,
            row.EtudeSet,
            row.Due,
            row.Due?.DayNumber - today.DayNumber,
            row.FileName,
            [.. piece.Current.Measures.Select(m => Frame(m, piece))]
        );

    private static PartView Part(Part p, OpenPiece piece)
    {
        var recognized = piece.Instruments[p.Id];
        return new PartView(
            p.Id,
            p.Name,
            recognized.Instrument?.Name,
            p.Transposition.Semitones,
            recognized.Instrument?.Id,
            recognized.Confidence,
            recognized.Desk,
            CanSplit(p)
        );
    }

    // Two voices, or a name with two desks over chords.
    private static bool CanSplit(Part p) =>
        p.Staves == 1
        && (
            p.Notes.Where(n => n.Sounds).Select(n => n.Voice).Distinct().Count() == 2
            || (Recognition.Of(p).Desk?.Contains('.', StringComparison.Ordinal) == true && p.Notes.Any(n => n.Heads.Count > 1))
        );

    private static FrameView Frame(MeasureFrame m, OpenPiece piece) =>
        new(
            m.Index,
            m.Label,
            m.Rehearsal,
            m.Meter.ToString(),
            ConcertKey(piece.Current.Parts[0], m.Index),
            m.IsPickup,
            m.Length.ToString(),
            Math.Round(piece.Study.Tempo.QuarterBpmAt(m.Index), 1)
        );

    // The strip shows the sounding key: it is the same for all parts.
    private static string ConcertKey(Part part, int measure)
    {
        var written = part.Measures[measure].Key;
        var back = new Transposition(-part.Transposition.Diatonic, -part.Transposition.Chromatic, 0);
        return written.Written(back).CountName;
    }
}

/// <summary>A piece on the shelf.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Title">Its title.</param>
/// <param name="Kind"><c>piece</c> or <c>etude</c>.</param>
/// <param name="EtudeSet">The set of an etude, or null.</param>
/// <param name="Due">Concert or audition date, or null.</param>
/// <param name="DaysLeft">Days to the date, or null.</param>
/// <param name="Parts">Number of parts.</param>
/// <param name="Measures">Number of measures.</param>
/// <param name="OpenDifferences">Differences that wait for a decision.</param>
/// <param name="Differences">All differences.</param>
/// <param name="Findings">Warnings of Study that are not dismissed.</param>
/// <param name="Passages">Passages handed out.</param>
/// <param name="Late">Players who will not be ready.</param>
/// <param name="NotDone">What is not done, in words.</param>
public sealed record ShelfView(
    long Id,
    string Title,
    string Kind,
    string? EtudeSet,
    DateOnly? Due,
    int? DaysLeft,
    int Parts,
    int Measures,
    int OpenDifferences,
    int Differences,
    int Findings,
    int Passages,
    int Late,
    IReadOnlyList<string> NotDone
);

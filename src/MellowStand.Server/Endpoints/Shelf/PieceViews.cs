using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;
using MellowStand.Core.Tempo;
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
/// <param name="Keys">Its key signatures as it reads them, the first and each change.</param>
public sealed record PartView(
    string Id,
    string Name,
    string? Instrument,
    int Transpose,
    string? InstrumentId,
    double Confidence,
    string? Desk,
    bool CanSplit,
    IReadOnlyList<SignatureView> Keys
);

/// <summary>A key signature of a part as it reads it, e.g. <c>2 flats</c>, from a measure (from 0) on.</summary>
public sealed record SignatureView(int From, string Key);

/// <summary>A measure on the strip; its tempo is told in the unit that is printed or beaten.</summary>
public sealed record FrameView(
    int Index,
    string Label,
    string? Rehearsal,
    string Meter,
    string Key,
    bool Pickup,
    string Length,
    double QuarterBpm,
    string Unit
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
    IReadOnlyList<FrameView> Frames,
    int Version
)
{
    /// <summary>Builds the view of an open piece.</summary>
    public static PieceView Of(OpenPiece piece, DateOnly today) =>
        new(
            piece.Row.Id,
            piece.Row.Title,
            [.. piece.Layer.Printed.Measures.Select(m => m.Label)],
            [.. piece.Layer.Printed.Parts.Select(p => Part(p, piece))],
            piece.Layer.Printed.Warnings,
            piece.Row.Kind,
            piece.Row.EtudeSet,
            piece.Row.Due,
            piece.Row.Due?.DayNumber - today.DayNumber,
            piece.Row.FileName,
            [.. piece.Layer.Current.Measures.Select(m => Frame(m, piece))],
            piece.Row.Version
        );

    private static PartView Part(Part p, OpenPiece piece)
    {
        var recognized = piece.Layer.Knowledge.Instruments[p.Id];
        return new PartView(
            p.Id,
            p.Name,
            recognized.Instrument?.Name,
            p.Transposition.Semitones,
            recognized.Instrument?.Id,
            recognized.Confidence,
            recognized.Desk,
            PartSplit.Problem(p, recognized.Instrument) is null,
            [.. Changes(p).Select(m => new SignatureView(m, p.Measures[m].Key.CountName))]
        );
    }

    private static IEnumerable<int> Changes(Part p) =>
        Enumerable.Range(0, p.Measures.Count).Where(m => m == 0 || p.Measures[m].Key != p.Measures[m - 1].Key);

    private static FrameView Frame(MeasureFrame m, OpenPiece piece) =>
        new(
            m.Index,
            m.Label,
            m.Rehearsal,
            m.Meter.ToString(),
            ConcertKey(piece.Layer.Current.Parts[0], m.Index),
            m.IsPickup,
            m.Length.ToString(),
            Math.Round(piece.Layer.Study.Tempo.QuarterBpmAt(m.Index), 1),
            (BeatUnit.OfLength(ToldUnit.At(piece.Layer.Study, m.Index).Quarters) ?? BeatUnit.Quarter).Name
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
/// <param name="Problem">Why it cannot be opened, or null; its original can still be exported and it can be removed.</param>
/// <param name="Version">How often title, kind, set or date were changed: sent back with a change.</param>
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
    IReadOnlyList<string> NotDone,
    string? Problem,
    int Version
)
{
    /// <summary>Builds the view of a piece on the shelf.</summary>
    public static ShelfView Of(ShelfEntry entry, DateOnly today) =>
        new(
            entry.Row.Id,
            entry.Row.Title,
            entry.Row.Kind,
            entry.Row.EtudeSet,
            entry.Row.Due,
            entry.Row.Due?.DayNumber - today.DayNumber,
            entry.Figures.Parts,
            entry.Figures.Measures,
            entry.Figures.Open,
            entry.Figures.Differences,
            entry.Figures.Findings,
            entry.Passages,
            entry.Late,
            entry.Problem is null ? [.. ToDo(entry)] : [],
            entry.Problem,
            entry.Row.Version
        );

    private static IEnumerable<string> ToDo(ShelfEntry entry)
    {
        if (entry.Row.Due is null)
            yield return "set a date";
        if (entry.Figures.Open is > 0 and var open)
            yield return $"settle {open} {(open == 1 ? "difference" : "differences")}";
        if (entry.Passages == 0)
            yield return "hand out a first passage";
        if (entry.Late is > 0 and var late)
            yield return $"{late} {(late == 1 ? "player" : "players")} will be late";
    }
}

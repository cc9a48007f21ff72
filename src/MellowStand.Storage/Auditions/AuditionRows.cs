using MellowStand.Core.Tempo;

namespace MellowStand.Storage;

/// <summary>A round of an audition.</summary>
/// <param name="Id">Its number; 0 for a new one.</param>
/// <param name="Name">Its name.</param>
/// <param name="Held">The day: of playing, or the last one to send a recording in.</param>
/// <param name="Way"><c>live</c>, <c>one-take</c> or <c>by-piece</c>.</param>
/// <param name="Screened">True where listeners must not know who plays.</param>
public sealed record RoundRow(long Id, string Name, DateOnly Held, string Way, bool Screened);

/// <summary>What a round asks of an entry.</summary>
/// <param name="Round">The round.</param>
/// <param name="From">Label of the first measure as the notice prints it; empty for the first.</param>
/// <param name="To">Label of the last measure; empty for the last.</param>
public sealed record AskedRow(long Round, string From, string To);

/// <summary>A piece of an instrument.</summary>
/// <param name="Id">Its number; 0 for a new one.</param>
/// <param name="Piece">The piece.</param>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="Kind">Kind of piece.</param>
/// <param name="Lender">The entry that it was borrowed from, or null.</param>
/// <param name="Reading"><c>written</c> or <c>sounding</c> for a borrowed one; else empty.</param>
/// <param name="Unit">The beat unit of the tempo that is asked.</param>
/// <param name="Slowest">Lower end of the tempo that is asked, or null.</param>
/// <param name="Quickest">Upper end, or null.</param>
/// <param name="Errata">What the organisers have corrected since the print.</param>
/// <param name="Asked">What each round asks of it.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record EntryRow(
    long Id,
    long Piece,
    string Instrument,
    string Kind,
    long? Lender,
    string Reading,
    BeatUnit Unit,
    double? Slowest,
    double? Quickest,
    string Errata,
    IReadOnlyList<AskedRow> Asked,
    int Version = 0
);

/// <summary>Somebody who auditions.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Player">The player.</param>
/// <param name="Instrument">Instrument id of the catalog.</param>
public sealed record CandidateRow(long Id, PlayerId Player, string Instrument);

/// <summary>A passage that was handed out for a round.</summary>
/// <param name="Entry">The entry.</param>
/// <param name="Round">The round.</param>
/// <param name="Passage">The passage.</param>
/// <param name="IsRun">True for a run-through of all that is asked.</param>
public sealed record HandedRow(long Entry, long Round, PassageId Passage, bool IsRun);

/// <summary>An audition set.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="Rounds">Its rounds in order.</param>
/// <param name="Entries">Its pieces.</param>
/// <param name="Candidates">Who auditions.</param>
/// <param name="Version">How often name, rounds or candidates were changed.</param>
public sealed record AuditionRow(
    long Id,
    string Name,
    IReadOnlyList<RoundRow> Rounds,
    IReadOnlyList<EntryRow> Entries,
    IReadOnlyList<CandidateRow> Candidates,
    int Version = 0
);

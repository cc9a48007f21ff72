using MellowStand.Core.Auditions;
using MellowStand.Core.Instruments;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>A round as the interface shows it.</summary>
/// <param name="Id">Its number; 0 or left out for a new one.</param>
/// <param name="Name">Its name.</param>
/// <param name="Held">The day.</param>
/// <param name="Way"><c>live</c>, <c>one-take</c> or <c>by-piece</c>.</param>
/// <param name="Screened">True where listeners must not know who plays.</param>
public sealed record RoundView(long? Id, string? Name, DateOnly Held, string? Way, bool Screened = false);

/// <summary>What a round asks of a piece.</summary>
/// <param name="Round">The round.</param>
/// <param name="From">Label of the first measure; empty for the first.</param>
/// <param name="To">Label of the last measure; empty for the last.</param>
public sealed record AskedView(long Round, string? From, string? To);

/// <summary>A piece of a set.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Piece">The piece on the shelf.</param>
/// <param name="Title">Title of the piece.</param>
/// <param name="Part">Id of its part.</param>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="InstrumentName">The instrument.</param>
/// <param name="Kind">Kind of piece.</param>
/// <param name="KindWords">The kind in words.</param>
/// <param name="Lender">Name of the instrument that it was borrowed from, or null.</param>
/// <param name="Reading"><c>written</c> or <c>sounding</c> for a borrowed one.</param>
/// <param name="Unit">Beat unit of the tempo that is asked.</param>
/// <param name="Slowest">Lower end of the tempo, or null.</param>
/// <param name="Quickest">Upper end, or null.</param>
/// <param name="Errata">What the organisers have corrected.</param>
/// <param name="Asked">What each round asks of it.</param>
/// <param name="Version">How often it was changed.</param>
public sealed record EntryView(
    long Id,
    long Piece,
    string Title,
    string Part,
    string Instrument,
    string InstrumentName,
    string Kind,
    string KindWords,
    string? Lender,
    string Reading,
    string Unit,
    double? Slowest,
    double? Quickest,
    string Errata,
    IReadOnlyList<AskedView> Asked,
    int Version
);

/// <summary>Who auditions.</summary>
/// <param name="Id">Number of the candidate.</param>
/// <param name="Player">The player.</param>
/// <param name="Name">Their name.</param>
/// <param name="Section">Their section.</param>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="InstrumentName">The instrument.</param>
public sealed record CandidateView(long Id, long Player, string Name, string Section, string Instrument, string InstrumentName);

/// <summary>A set on the list of sets.</summary>
public sealed record AuditionLine(long Id, string Name, int Pieces, int Instruments, int Candidates, DateOnly? Next, string? NextName);

/// <summary>An audition set.</summary>
public sealed record AuditionView(
    long Id,
    string Name,
    IReadOnlyList<RoundView> Rounds,
    IReadOnlyList<EntryView> Entries,
    IReadOnlyList<CandidateView> Candidates,
    int Version
);

/// <summary>Something often missed.</summary>
public sealed record MissedView(string Finding, string Title, string Measure);

/// <summary>What the page of a set tells of a piece.</summary>
/// <param name="Entry">The piece of the set.</param>
/// <param name="Heat">Mean heat of what is asked, 0 to 1.</param>
/// <param name="Hottest">Heat of the hardest measure.</param>
/// <param name="Hardest">Label of the hardest measure.</param>
/// <param name="Seconds">Length at the tempo asked.</param>
/// <param name="Slowest">The slowest at which every phrase fits, in quarters a minute, or null.</param>
/// <param name="Fastest">The fastest that is clean, or null.</param>
/// <param name="Missed">What is often missed.</param>
/// <param name="Beyond">Notes outside the range of the level.</param>
/// <param name="NotDone">What is not done, in words.</param>
public sealed record EntryFiguresView(
    long Entry,
    double Heat,
    double Hottest,
    string Hardest,
    double Seconds,
    double? Slowest,
    double? Fastest,
    IReadOnlyList<MissedView> Missed,
    int Beyond,
    IReadOnlyList<string> NotDone
);

/// <summary>Audition sets as the interface shows them.</summary>
public sealed class AuditionViews(PieceDesk desk, EnsembleRepository ensemble)
{
    private static readonly Dictionary<string, int> ScoreOrder = Catalog.All.Select((i, n) => (i.Id, n)).ToDictionary(x => x.Id, x => x.n);

    /// <summary>A line of the list.</summary>
    public static AuditionLine Line(AuditionRow set, DateOnly today)
    {
        var next = set.Rounds.Where(r => r.Held >= today).MinBy(r => r.Held);
        return new AuditionLine(
            set.Id,
            set.Name,
            set.Entries.Count,
            set.Entries.Select(e => e.Instrument).Distinct().Count(),
            set.Candidates.Count,
            next?.Held,
            next?.Name
        );
    }

    /// <summary>A set, its pieces in score order and the order in which they are played.</summary>
    public AuditionView Of(AuditionRow set)
    {
        var (players, sections) = (ensemble.Everyone(), ensemble.SectionNames());
        var pieces = desk.Open(set.Entries.Select(e => e.Piece));
        return new AuditionView(
            set.Id,
            set.Name,
            [.. set.Rounds.Select(r => new RoundView(r.Id, r.Name, r.Held, r.Way, r.Screened))],
            [
                .. set
                    .Entries.OrderBy(e => ScoreOrder.GetValueOrDefault(e.Instrument, int.MaxValue))
                    .ThenBy(e => EntryKinds.PlaceOf(e.Kind))
                    .ThenBy(e => e.Id)
                    .Where(e => pieces.ContainsKey(e.Piece))
                    .Select(e => Entry(set, e, pieces[e.Piece])),
            ],
            [
                .. set
                    .Candidates.Where(c => players.ContainsKey(c.Player))
                    .OrderBy(c => ScoreOrder.GetValueOrDefault(c.Instrument, int.MaxValue))
                    .ThenBy(c => players[c.Player].Chair)
                    .Select(c => Candidate(c, players[c.Player], sections)),
            ],
            set.Version
        );
    }

    /// <summary>Name of an instrument of the catalog.</summary>
    public static string NameOf(string instrument) => Catalog.Find(instrument)?.Name ?? instrument;

    /// <summary>The figures of an entry.</summary>
    public static EntryFiguresView Figures(long entry, EntryFigures f) =>
        new(
            entry,
            f.Heat,
            f.Hottest,
            f.Hardest,
            f.Seconds,
            f.Window.Slowest?.QuarterBpm,
            f.Window.Fastest?.QuarterBpm,
            [.. f.Missed.Select(m => new MissedView(m.Id, m.Title, m.Measure))],
            f.Beyond,
            f.NotDone
        );

    /// <summary>Who auditions, as the interface shows it.</summary>
    public static CandidateView Candidate(CandidateRow row, PlayerRow player, IReadOnlyDictionary<SectionId, string> sections) =>
        new(
            row.Id,
            row.Player.Value,
            player.Name,
            sections.GetValueOrDefault(player.SectionId, ""),
            row.Instrument,
            NameOf(row.Instrument)
        );

    private static EntryView Entry(AuditionRow set, EntryRow e, OpenPiece piece) =>
        new(
            e.Id,
            e.Piece,
            piece.Row.Title,
            piece.Layer.Current.Parts[0].Id,
            e.Instrument,
            NameOf(e.Instrument),
            e.Kind,
            EntryKinds.Find(e.Kind)?.Words ?? e.Kind,
            set.Entries.FirstOrDefault(x => x.Id == e.Lender) is { } lender ? NameOf(lender.Instrument) : null,
            e.Reading,
            e.Unit.Name,
            e.Slowest,
            e.Quickest,
            e.Errata,
            [.. e.Asked.Select(a => new AskedView(a.Round, a.From, a.To))],
            e.Version
        );
}

using MellowStand.Core.Auditions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Instruments;
using MellowStand.Core.Layers;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>A file of a set, read.</summary>
/// <param name="Name">Name of the file.</param>
/// <param name="Edition">What it holds.</param>
/// <param name="Guess">What it seems to be.</param>
public sealed record SetFile(string Name, Edition Edition, EntryGuess Guess);

/// <summary>A piece of a set to make.</summary>
/// <param name="File">Name of its file.</param>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="Kind">Kind of piece.</param>
public sealed record EntryWish(string File, string Instrument, string Kind);

/// <summary>Makes audition sets out of files, and lets instruments borrow.</summary>
public sealed class AuditionDesk(
    AuditionRepository auditions,
    PieceImport import,
    PieceDesk desk,
    HouseRepository house,
    PieceRepository pieces,
    TimeProvider clock
)
{
    private const string Written = "written";
    private const string Sounding = "sounding";

    /// <summary>The set with the number.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public AuditionRow Find(long id) =>
        auditions.Find(id) ?? throw Refusal.NotFound($"There is no audition set {id}. Open the auditions and choose one.");

    /// <summary>The entry of a set.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public static EntryRow Entry(AuditionRow set, long entry) =>
        set.Entries.FirstOrDefault(e => e.Id == entry)
        ?? throw Refusal.NotFound($"There is no piece {entry} in {set.Name}. Load the set again.");

    /// <summary>Reads a file and proposes what it is.</summary>
    /// <exception cref="Refusal">It is no score.</exception>
    internal SetFile Read(string name, byte[] bytes)
    {
        var edition = Upload.Read(name, bytes).Edition;
        var guess = EntryGuesses.Of(name, new StudyContext(edition.Printed, house.House()), house.LearnedInstruments());
        return new SetFile(name, edition, guess);
    }

    /// <summary>Keeps a set with all its pieces, as one act.</summary>
    /// <param name="name">Its name.</param>
    /// <param name="rounds">Its rounds.</param>
    /// <param name="entries">Its pieces; a file may serve more than one.</param>
    /// <param name="files">The files.</param>
    /// <exception cref="Refusal">A piece names a file that was not sent.</exception>
    internal long Make(string name, IReadOnlyList<RoundRow> rounds, IReadOnlyList<EntryWish> entries, IReadOnlyList<SetFile> files)
    {
        var found = entries.Select(e => (Entry: e, File: files.FirstOrDefault(f => f.Name == e.File) ?? throw NoFile(e.File))).ToList();
        return auditions.Add(
            name,
            rounds,
            kept =>
                [
                    .. found.Select(x =>
                        Whole(Import(x.File.Name, x.File.Edition, x.Entry.Instrument, name, kept), x.Entry, x.File.Edition, kept)
                    ),
                ],
            clock.GetUtcNow()
        );
    }

    /// <summary>Adds a file to a set.</summary>
    internal long Add(AuditionRow set, SetFile file, EntryWish entry) =>
        auditions.AddEntry(
            set.Id,
            () => Whole(Import(file.Name, file.Edition, entry.Instrument, set.Name, set.Rounds), entry, file.Edition, set.Rounds)
        );

    /// <summary>Adds a piece that is on the shelf already, as a list of scales.</summary>
    internal long Add(AuditionRow set, long piece, EntryWish entry)
    {
        var open = desk.Open(piece);
        if (set.Entries.Any(e => e.Piece == piece))
            throw Refusal.Conflict($"{open.Row.Title} is in {set.Name} already.");
        return auditions.AddEntry(
            set.Id,
            () =>
            {
                pieces.Update(open.Row with { Kind = "etude", EtudeSet = set.Name, Due = open.Row.Due ?? FirstDay(set.Rounds) });
                return Whole(piece, entry, open.Layer.Edition, set.Rounds);
            }
        );
    }

    /// <summary>How another instrument would take an entry; nothing is kept.</summary>
    /// <param name="set">The set.</param>
    /// <param name="lender">The entry to borrow.</param>
    /// <param name="borrower">Instrument id of the borrower.</param>
    /// <param name="reading"><c>written</c> or <c>sounding</c>.</param>
    /// <param name="octaves">Octaves, or null to propose them.</param>
    public (OpenPiece Piece, Instrument Borrower, BorrowPlan Plan) PlanToBorrow(
        AuditionRow set,
        long lender,
        string? borrower,
        string? reading,
        int? octaves
    )
    {
        var entry = Entry(set, lender);
        var to = Catalog.Find(PieceImport.Instrument(borrower))!;
        if (to.Id == entry.Instrument)
            throw Refusal.BadRequest($"{to.Name} has this piece already. Choose another instrument.");
        if (reading is not (Written or Sounding))
            throw Refusal.BadRequest("The reading is \"written\" (the same written notes) or \"sounding\" (the same sound).");
        if (octaves is < -3 or > 3)
            throw Refusal.BadRequest("Octaves are -3 to 3.");
        var piece = desk.Open(entry.Piece);
        var range = to.Ranges.At(house.House()["range-level"]);
        var way = reading == Written ? BorrowReading.Written : BorrowReading.Sounding;
        var from = Catalog.Find(entry.Instrument) ?? to;
        return (piece, to, Borrowing.Of(piece.Layer.Printed.Parts[0], from, to, range, way, octaves));
    }

    /// <summary>Lets an instrument take another's entry: its music becomes a piece of its own.</summary>
    /// <returns>Number of the new entry.</returns>
    public long Borrow(AuditionRow set, long lender, string? borrower, string? reading, int? octaves)
    {
        var (piece, to, plan) = PlanToBorrow(set, lender, borrower, reading, octaves);
        var entry = Entry(set, lender);
        var music = BorrowedPart.Write(piece.Layer.Edition.Source, piece.Layer.Printed.Parts[0].Id, to, plan.Move);
        var edition = Edition.Read(music);
        return auditions.AddEntry(
            set.Id,
            () =>
                entry with
                {
                    Id = 0,
                    Piece = Import($"{piece.Row.Title} for {to.Name}.musicxml", edition, to.Id, set.Name, set.Rounds),
                    Instrument = to.Id,
                    Lender = entry.Id,
                    Reading = reading!,
                    Version = 0,
                }
        );
    }

    /// <summary>Changes an entry; another instrument is the part's instrument too, in the same act.</summary>
    public Change Edit(EntryRow before, EntryRow after)
    {
        if (before.Instrument == after.Instrument)
            return auditions.Update(after);
        // Opened before the act: whoever holds the database waits for no piece.
        var piece = desk.Open(before.Piece);
        var part = piece.Layer.Printed.Parts[0];
        var choice = new ChosenInstrument(part.Id, part.Name, after.Instrument, piece.Row.Edition);
        return auditions.Update(after, () => pieces.ChooseInstrument(before.Piece, choice, Recognition.KeyOf(part)));
    }

    private long Import(string file, Edition edition, string instrument, string set, IReadOnlyList<RoundRow> rounds)
    {
        var part = edition.Printed.Parts[0];
        var known = Recognition.Of(part, house.LearnedInstruments()).Instrument?.Id == instrument;
        return import.Keep(new ImportWish(file, "etude", set, FirstDay(rounds), known ? [] : [(part.Id, instrument)]), edition);
    }

    // Until somebody says otherwise each round asks for the whole piece, at the tempo that is printed.
    private static EntryRow Whole(long piece, EntryWish entry, Edition edition, IReadOnlyList<RoundRow> rounds)
    {
        var printed = Printed(edition);
        return new EntryRow(
            0,
            piece,
            entry.Instrument,
            entry.Kind,
            null,
            "",
            BeatUnit.Quarter,
            printed?.Bpm,
            printed?.UpperBpm,
            "",
            [.. rounds.Select(r => new AskedRow(r.Id, "", ""))]
        );
    }

    private static DateOnly? FirstDay(IReadOnlyList<RoundRow> rounds) => rounds.Count == 0 ? null : rounds.Min(r => r.Held);

    // In quarters a minute, as entries have it until somebody says otherwise.
    private static MetronomeMark? Printed(Edition edition)
    {
        var mark = edition.Printed.Parts.SelectMany(p => p.Directions).Select(d => d.Metronome).FirstOrDefault(m => m is not null);
        return mark is null
            ? null
            : new MetronomeMark(
                1,
                Math.Round(mark.QuarterBpm, 1),
                mark.UpperBpm is { } upper ? Math.Round(upper * mark.Unit.Value, 1) : null
            );
    }

    private static Refusal NoFile(string name) =>
        Refusal.BadRequest($"The file {Names.Clean(name)} was not sent with the set. Drop it again.");
}

using System.Globalization;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Puts what a new edition could not take where the director says.</summary>
public sealed class PlaceByHand(
    EditionRepository editions,
    PassageRepository passages,
    PieceRepository pieces,
    QuietRepository quiet,
    SeatRepository seats,
    Database database,
    PieceDesk desk,
    Decide decide,
    TimeProvider clock
)
{
    /// <summary>Places something.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="kind"><c>decision</c>, <c>passage</c>, <c>dismissal</c>, <c>instrument</c>, <c>seats</c> or <c>leader</c>.</param>
    /// <param name="key">Its number, finding, part or parts.</param>
    /// <param name="parts">Ids of the parts.</param>
    /// <param name="from">Label of the first measure, or null for the first.</param>
    /// <param name="to">Label of the last measure, or null for the last.</param>
    /// <param name="person">Who places it.</param>
    /// <exception cref="Refusal">It does not wait, or does not fit there; it goes on waiting.</exception>
    public void Place(long id, string kind, string key, IReadOnlyList<string> parts, string? from, string? to, string person) =>
        desk.Act(id, piece => database.Act(_ => Put(piece, kind, key, parts, from, to, person)));

    private bool Put(OpenPiece piece, string kind, string key, IReadOnlyList<string> parts, string? from, string? to, string person)
    {
        var id = piece.Row.Id;
        if (parts.Count == 0)
            throw Refusal.BadRequest("Select the parts that it belongs to, then place it.");
        var place = piece.Book.OfParts(parts, from, to);
        var there = editions.Belongings(id);
        switch (kind)
        {
            case "passage":
                passages.Move(Found(there.Passages.FirstOrDefault(p => !p.IsPlaced && Text(p.Id.Value) == key)).Id, place);
                return true;
            case "decision":
                PlaceDecision(piece, Found(there.SetAside.Select(d => d.Decision).FirstOrDefault(d => Text(d.Id) == key)), place, person);
                break;
            case "dismissal":
                PlaceDismissal(
                    piece,
                    Found(there.Quiet.FirstOrDefault(q => q.Finding == key && q.Place.Edition != piece.Row.Edition)),
                    place
                );
                break;
            case "instrument":
                PlaceInstrument(
                    piece,
                    Found(there.Instruments.FirstOrDefault(i => i.Part == key && i.Edition != piece.Row.Edition)),
                    place
                );
                break;
            case "leader":
                PlaceLeader(
                    piece,
                    Found(there.Leaders.FirstOrDefault(l => l.Row.Parts == key && l.Edition != piece.Row.Edition).Row),
                    place
                );
                break;
            case "seats":
                PlaceSeats(piece, Found(there.Seats.FirstOrDefault(s => s.Part == key && s.Edition != piece.Row.Edition)), place);
                break;
            default:
                throw Refusal.NotFound("Nothing of this kind can be placed.");
        }

        return editions.Drop(piece.Row, kind, key, clock.GetUtcNow()) ? true : throw NoLonger();
    }

    // The notes of the place take the marks in order, so there must be as many as the decision speaks of.
    private void PlaceDecision(OpenPiece piece, Decision decision, Address place, string person)
    {
        var wanted = decision.Changes.Select(c => c.Part).Distinct().Count();
        if (wanted != place.Parts.Count)
            throw Refusal.BadRequest(
                $"The decision speaks of {Count(wanted, "part")}, and {Count(place.Parts.Count, "part")} were selected."
            );
        var changes = new List<MarkChange>();
        foreach (
            var (part, change) in decision
                .Changes.GroupBy(c => c.Part)
                .Zip(place.Parts, (g, p) => (p, g))
                .SelectMany(x => x.g.Select(c => (x.p, c)))
        )
        {
            var notes = piece
                .Part(part)
                .Notes.Where(n => place.Meets(n.MeasureIndex, n.MeasureIndex) && n is { Sounds: true, IsTieContinuation: false })
                .ToList();
            var isSpan = change.Added.Concat(change.Removed).All(m => MarkCatalog.IsSpan(m.Name));
            if (notes.Count == 0 || (!isSpan && notes.Count != change.Notes.Count))
                throw Refusal.BadRequest(
                    $"The decision speaks of {Count(change.Notes.Count, "note")}, and {place.Words} has {notes.Count}. Select as many."
                );
            changes.Add(change with { Part = part, Notes = isSpan ? [notes[0].Id, notes[^1].Id] : [.. notes.Select(n => n.Id)] });
        }

        if (changes.Count == 0)
            throw Refusal.BadRequest("It keeps a difference as printed, which this edition does not have. Drop it.");
        decide.Make(piece.Row.Id, person, _ => [new DecisionDraft(null, Verdict.Free, null, decision.Why, changes)]);
    }

    private void PlaceDismissal(OpenPiece piece, ReviewedFinding was, Address place)
    {
        var found = piece.Layer.Findings.FirstOrDefault(f => f.Rule == was.Key?.Rule && place.Meets(f.From, f.To) && place.HasAny(f.Parts));
        if (found is null)
            throw Refusal.BadRequest($"Study finds nothing of the kind in {place.Words}, so there is nothing to say of it. Drop it.");
        var now = was with { Finding = found.Id, Key = found.Key, Place = piece.Book.At(found.Parts, found.From, found.To) };
        quiet.Review(piece.Row.Id, [now], clock.GetUtcNow());
    }

    private void PlaceSeats(OpenPiece piece, SeatRow was, Address place)
    {
        foreach (var part in place.Parts.Select(piece.Part))
            seats.Seat(piece.Row.Id, new SeatRow(part.Id, part.Name, was.Players, piece.Row.Edition), false);
    }

    private void PlaceInstrument(OpenPiece piece, ChosenInstrument was, Address place)
    {
        foreach (var part in place.Parts.Select(piece.Part))
            pieces.ChooseInstrument(
                piece.Row.Id,
                new ChosenInstrument(part.Id, part.Name, was.Instrument, piece.Row.Edition),
                Core.Instruments.Recognition.KeyOf(part)
            );
    }

    private void PlaceLeader(OpenPiece piece, LeaderRow was, Address place)
    {
        var old = was.Parts.Split(',');
        if (old.Length != place.Parts.Count)
            throw Refusal.BadRequest($"The line has {Count(old.Length, "part")}, and {Count(place.Parts.Count, "part")} were selected.");
        var leader = place.Parts[Math.Max(0, Array.IndexOf(old, was.Leader))];
        pieces.Lead(piece.Row.Id, piece.Row.Edition, UnifyContext.LineKey(place.Parts), leader);
    }

    private static T Found<T>(T? row)
        where T : class => row ?? throw NoLonger();

    private static Refusal NoLonger() => Refusal.NotFound("This does not wait to be placed any more. Load the page again.");

    private static string Text(long id) => id.ToString(CultureInfo.InvariantCulture);

    private static string Count(int n, string what) => $"{n} {what}{(n == 1 ? "" : "s")}";
}

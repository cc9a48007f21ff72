using MellowStand.Core.Auditions;
using MellowStand.Core.Decisions;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>A place of a matter, open or decided.</summary>
/// <param name="Entry">The entry.</param>
/// <param name="Title">Title of its piece.</param>
/// <param name="Measure">Label of the measure.</param>
/// <param name="What">What stands there.</param>
/// <param name="Decision">The decision in force there, or null.</param>
public sealed record PlaceOfMatter(EntryRow Entry, string Title, string Measure, string What, long? Decision);

/// <summary>A matter with all its places.</summary>
/// <param name="Matter">The matter.</param>
/// <param name="Answer">The answer in force, or null.</param>
/// <param name="Places">Its places by entry and measure.</param>
public sealed record MatterOfSet(Matter Matter, string? Answer, IReadOnlyList<PlaceOfMatter> Places);

/// <summary>Decides a matter once for all etudes of a set.</summary>
public sealed class AnswerDesk(AnswerRepository answers, PieceDesk desk, Decide decide, TimeProvider clock)
{
    /// <summary>The matters that come up in a set, those with the most open places first.</summary>
    public IReadOnlyList<MatterOfSet> Of(AuditionRow set)
    {
        var inForce = answers.Of(set.Id);
        var pieces = desk.Open(set.Entries.Select(e => e.Piece));
        return
        [
            .. MatterTable
                .All.Select(m => (Matter: m, Row: inForce.FirstOrDefault(a => a.Matter == m.Name)))
                .Select(m => new MatterOfSet(
                    m.Matter,
                    m.Row?.Answer,
                    [.. set.Entries.Where(e => pieces.ContainsKey(e.Piece)).SelectMany(e => Places(e, pieces[e.Piece], m.Matter, m.Row))]
                ))
                .Where(m => m.Places.Count > 0)
                .OrderByDescending(m => m.Places.Count(p => p.Decision is null)),
        ];
    }

    /// <summary>Decides a matter for every entry where it comes up; what an earlier answer wrote is taken back.</summary>
    /// <param name="set">The set.</param>
    /// <param name="matter">The matter.</param>
    /// <param name="answer">The answer.</param>
    /// <param name="seen">The answer that was seen in force, or null for none.</param>
    /// <param name="person">Who decides.</param>
    /// <returns>How many places were decided.</returns>
    /// <exception cref="Refusal">There is no such matter or answer, or it comes up nowhere.</exception>
    public int Decide(AuditionRow set, string matter, string? answer, string? seen, string person)
    {
        var known = Known(matter);
        var said =
            known.Find(answer)
            ?? throw Refusal.BadRequest($"\"{known.Question}\" is answered with {string.Join(", ", known.Answers.Select(a => a.Name))}.");
        return desk.Act(
            set.Entries.Select(e => e.Piece),
            () =>
            {
                var count = 0;
                var inForce = answers.Of(set.Id).FirstOrDefault(a => a.Matter == known.Name);
                if (inForce?.Answer != seen)
                    throw Refusal.Conflict(
                        $"\"{known.Question}\" was answered by somebody else since you loaded it. "
                            + "Load it again, and decide on what stands now."
                    );
                var before = Standing(set.Id, known.Name);
                answers.Add(
                    set.Id,
                    known.Name,
                    said.Name,
                    () =>
                    {
                        TakeBack(before);
                        var made = set.Entries.SelectMany(e => Decide(e, known, said, person)).ToList();
                        count = made.Count;
                        return made.Count > 0
                            ? made
                            : throw Refusal.Conflict($"\"{known.Question}\" does not come up anywhere in {set.Name} any more.");
                    },
                    clock.GetUtcNow()
                );
                return count;
            }
        );
    }

    /// <summary>Takes an answer back with all its decisions.</summary>
    /// <exception cref="Refusal">None is in force.</exception>
    public void Undo(AuditionRow set, string matter)
    {
        var known = Known(matter);
        var undone = desk.Act(
            set.Entries.Select(e => e.Piece),
            () =>
            {
                var before = Standing(set.Id, known.Name);
                return answers.Undo(set.Id, known.Name, () => TakeBack(before), clock.GetUtcNow());
            }
        );
        if (!undone)
            throw Refusal.NotFound($"\"{known.Question}\" is not answered, so there is nothing to undo.");
    }

    private static Matter Known(string matter) =>
        MatterTable.Find(matter)
        ?? throw Refusal.NotFound($"There is no matter \"{Names.Clean(matter)}\". Load the set again and choose one of its list.");

    private List<(long Decision, long Piece)> Standing(long set, string matter) =>
        [.. answers.Of(set).Where(a => a.Matter == matter).SelectMany(a => a.Standing)];

    private void TakeBack(List<(long Decision, long Piece)> standing)
    {
        foreach (var (decision, piece) in standing)
            decide.Undo(piece, decision);
    }

    private IEnumerable<long> Decide(EntryRow entry, Matter matter, MatterAnswer answer, string person)
    {
        IReadOnlyList<DecisionDraft> Drafts(OpenPiece piece) =>
            [
                .. matter
                    .Changes(piece.Layer, piece.Layer.Current.Parts[0], answer)
                    .Select(c => new DecisionDraft(null, Verdict.Free, answer.Words, matter.Question, [c])),
            ];
        return Drafts(desk.Open(entry.Piece)).Count == 0 ? [] : decide.Make(entry.Piece, person, Drafts).Made.Select(d => d.Id);
    }

    private static IEnumerable<MatterPlace> Found(OpenPiece piece, Matter matter) =>
        matter.Places(piece.Layer, piece.Layer.Current.Parts[0]);

    // What is written in is no open place any more; what is only told stands at its place, decided.
    private static IEnumerable<PlaceOfMatter> Places(EntryRow entry, OpenPiece piece, Matter matter, AnswerRow? row)
    {
        var part = piece.Layer.Current.Parts[0];
        var measures = part.Notes.ToDictionary(n => n.Id, n => n.MeasureIndex);
        var standing = (row?.Standing ?? []).Select(s => s.Decision).ToHashSet();
        var decided = piece.Layer.Decisions.Where(d => standing.Contains(d.Id)).ToList();
        var found = Found(piece, matter).ToList();
        var taken = decided.Select(d => d.Changes[0].Notes[0]).ToHashSet();
        var open = found
            .Where(p => !taken.Contains(p.Notes[0]))
            .Select(p => (p.Measure, Place: new PlaceOfMatter(entry, piece.Row.Title, piece.Label(p.Measure), p.What, null)));
        var done = decided.Select(d =>
        {
            var note = d.Changes[0].Notes[0];
            var at = measures.GetValueOrDefault(note);
            var what = found.Find(p => p.Notes[0] == note)?.What ?? d.Reading ?? "";
            return (Measure: at, Place: new PlaceOfMatter(entry, piece.Row.Title, piece.Label(at), what, d.Id));
        });
        return open.Concat(done).OrderBy(p => p.Measure).Select(p => p.Place);
    }
}

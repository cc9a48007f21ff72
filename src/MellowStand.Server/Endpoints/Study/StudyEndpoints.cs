using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Heat;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A finding as the interface shows it.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Rule">The rule that found it.</param>
/// <param name="Parts">Ids of the parts it holds for.</param>
/// <param name="From">Label of its first measure.</param>
/// <param name="To">Label of its last measure.</param>
/// <param name="FromIndex">First measure from 0.</param>
/// <param name="ToIndex">Last measure from 0.</param>
/// <param name="Notes">Ids of the notes it speaks of.</param>
/// <param name="Severity"><c>note</c>, <c>tell</c>, <c>warn</c> or <c>stop</c>.</param>
/// <param name="Title">A few words.</param>
/// <param name="Why">One sentence.</param>
/// <param name="Dismissed">True when it, or its rule, is quiet.</param>
/// <param name="Kind">The kind of its rule.</param>
/// <param name="Rank">Its place in the order in which a director reads, from 1.</param>
/// <param name="Shown">True when it is on the short list.</param>
/// <param name="CanWriteIn">True when it can be written into its parts.</param>
/// <param name="Own">How some parts read it.</param>
/// <param name="Written">The decision that wrote it in, or null.</param>
/// <param name="Review">What the director said of it for players: <c>sent</c>, <c>held</c>, or null while it waits.</param>
/// <param name="Words">What players read instead of its own words, or null.</param>
/// <param name="Also">Labels of the other measures that it stands for on the short list.</param>
public sealed record FindingView(
    string Id,
    string Rule,
    IReadOnlyList<string> Parts,
    string From,
    string To,
    int FromIndex,
    int ToIndex,
    IReadOnlyList<string> Notes,
    string Severity,
    string Title,
    string Why,
    bool Dismissed,
    string Kind,
    int Rank,
    bool Shown,
    bool CanWriteIn,
    IReadOnlyList<OwnWordsView> Own,
    long? Written,
    string? Review,
    string? Words,
    IReadOnlyList<string> Also
);

/// <summary>How some parts read a finding that they share with others in notes of their own.</summary>
public sealed record OwnWordsView(IReadOnlyList<string> Parts, string Title, string Why);

/// <summary>A rule that stays quiet.</summary>
public sealed record QuietRuleView(string Rule, bool Everywhere);

/// <summary>Heat of one part, a value a measure from 0 to 1.</summary>
public sealed record HeatRow(string Part, IReadOnlyList<double> Heat);

/// <summary>How a measure is counted.</summary>
/// <param name="Measure">Its label.</param>
/// <param name="Line">A word for each note that is struck.</param>
/// <param name="Said">What a class says aloud, with the beats that are only held or silent in brackets.</param>
public sealed record CountingView(string Measure, string Line, string Said);

/// <summary>Study: findings, heat, and what was dismissed.</summary>
public static class StudyEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapStudy(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}").WithTags("Study");
        group.MapGet("/study", Study).KeepAnswer();
        group.MapGet("/study/quiet-rules", QuietRules).KeepAnswer();
        group.MapPost("/study/{finding}/mark", Mark);
        group.MapGet("/counting", Counting).KeepAnswer();
        group.MapGet("/heat", Heat).KeepAnswer();
        group.MapGet("/heat/reasons", Reasons).KeepAnswer();
        group.MapPut("/study/{finding}/dismissal", Dismiss);
        group.MapDelete("/study/{finding}/dismissal", Recall);
        group.MapPut("/study/{finding}/review", ReviewEndpoints.Review);
        group.MapDelete("/study/{finding}/review", ReviewEndpoints.Forget);
        group.MapPost("/study/reviews", ReviewEndpoints.ReviewMany);
    }

    // Severity is a word of the interface, not a number that may shift.
    private static Ok<IEnumerable<FindingView>> Study(
        long id,
        PieceDesk desk,
        QuietRepository quiets,
        string? part = null,
        string? from = null,
        string? to = null,
        bool dismissed = false
    )
    {
        var piece = desk.Open(id);
        var at = piece.Book.Read(null, from, to);
        var (first, last) = (at.From.Index, at.To.Index);
        var quiet = Quiet.Of(quiets, piece);
        var wanted = part is null ? null : Parts(piece, part);
        var shortlist = Shortlist.Of(piece.Layer.Study, piece.Layer.Findings.Where(f => !quiet.Holds(f)), wanted);
        var views = new FindingViews(piece, quiet, shortlist);
        return TypedResults.Ok(
            piece
                .Layer.Findings.Where(f => f.To >= first && f.From <= last && (wanted is null || f.Parts.Any(wanted.Contains)))
                .Where(f => dismissed || !quiet.Holds(f))
                .Select(f => views.Of(f, wanted))
        );
    }

    private static Ok<IEnumerable<CountingView>> Counting(
        long id,
        string part,
        PieceDesk desk,
        string? from = null,
        string? to = null,
        string? words = null
    )
    {
        var piece = desk.Open(id);
        var at = piece.Book.Read(null, from, to);
        var (first, last) = (at.From.Index, at.To.Index);
        var school = words ?? piece.Layer.Knowledge.House["counting-words"];
        if (!CountingLine.Schools.Contains(school))
            throw Refusal.BadRequest(
                $"There are no counting words \"{Names.Clean(school)}\". Use one of {string.Join(", ", CountingLine.Schools)}."
            );
        return TypedResults.Ok(
            Enumerable
                .Range(first, last - first + 1)
                .Select(m => CountedOf(piece, piece.Part(part), m, school))
        );
    }

    private static CountingView CountedOf(OpenPiece piece, Part part, int measure, string school) =>
        new(
            piece.Label(measure),
            string.Join(' ', CountingLine.OfNotes(piece.Layer.Study, part, measure, school)),
            CountingLine.Of(piece.Layer.Study, part, measure, school)
        );

    private static HashSet<string> Parts(OpenPiece piece, string list) => [.. list.Split(',').Select(p => piece.Part(p).Id)];

    private static Ok<IEnumerable<HeatRow>> Heat(long id, PieceDesk desk) =>
        TypedResults.Ok(
            desk.Open(id)
                .Layer.Heat.GroupBy(c => c.Part)
                .Select(g => new HeatRow(g.Key, [.. g.OrderBy(c => c.Measure).Select(c => c.Heat)]))
        );

    private static Ok<IReadOnlyList<HeatReason>> Reasons(long id, string part, int index, PieceDesk desk)
    {
        var piece = desk.Open(id);
        _ = piece.Part(part);
        var cell =
            piece.Layer.Heat.FirstOrDefault(c => c.Part == part && c.Measure == index)
            ?? throw Refusal.NotFound(
                $"There is no measure number {index} in this piece; places go from 0 to {piece.Layer.Current.Measures.Count - 1}."
            );
        return TypedResults.Ok(cell.Reasons);
    }

    // The scope: here (this finding), piece (its rule in this piece) or everywhere.
    private static NoContent Dismiss(
        long id,
        string finding,
        PieceDesk desk,
        QuietRepository quiets,
        TimeProvider clock,
        string scope = "here"
    )
    {
        var piece = desk.Open(id);
        var found = Find(piece, finding);
        switch (scope)
        {
            case "here":
                quiets.Review(id, [ReviewEndpoints.Said(piece, found, ReviewStates.Dismissed, null)], clock.GetUtcNow());
                break;
            case "piece":
                quiets.Quiet(id, found.Rule, clock.GetUtcNow());
                break;
            case "everywhere":
                quiets.Quiet(null, found.Rule, clock.GetUtcNow());
                break;
            default:
                throw Refusal.BadRequest("A dismissal reaches here, piece or everywhere.");
        }

        return TypedResults.NoContent();
    }

    /// <summary>The finding with the id.</summary>
    /// <exception cref="Refusal">It is not there any more.</exception>
    internal static Finding Find(OpenPiece piece, string finding) =>
        piece.Layer.Findings.FirstOrDefault(f => f.Id == finding)
        ?? throw Refusal.NotFound("This finding is not in the piece any more. Load the list again.");

    private static NoContent Recall(long id, string finding, PieceDesk desk, QuietRepository quiets)
    {
        var found = desk.Open(id).Layer.Findings.FirstOrDefault(f => f.Id == finding);
        var recalled = quiets.Recall(id, finding) | (found is not null && quiets.Unquiet(id, found.Rule));
        if (!recalled)
            throw Refusal.NotFound("This finding was not dismissed.");
        return TypedResults.NoContent();
    }

    private static Ok<IEnumerable<QuietRuleView>> QuietRules(long id, PieceDesk desk, QuietRepository quiets) =>
        TypedResults.Ok(quiets.Rules(desk.Row(id).Id).Select(q => new QuietRuleView(q.Key, q.Value)));

    private static Created<DecisionView> Mark(long id, string finding, HttpContext http, Decide decide) =>
        DecisionEndpoints.MakeFree(
            id,
            http,
            decide,
            piece =>
            {
                var found = Find(piece, finding);
                var changes = WriteIn.Of(piece.Layer.Study, found);
                if (new WrittenIn(piece.Layer.Study, piece.Layer.Decisions).By(found) is not null)
                    throw Refusal.Conflict("This is written in already. Undo that first to write it anew.");
                if (changes.Count == 0)
                    throw Refusal.BadRequest("None of its parts plays here, so there is no note to write it at.");
                return DecisionEndpoints.FreeDraft(WrittenIn.ReasonOf(found), changes);
            }
        );
}

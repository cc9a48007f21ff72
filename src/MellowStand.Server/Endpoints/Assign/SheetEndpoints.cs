using MellowStand.Core.Assign;
using MellowStand.Core.Notation;
using MellowStand.Core.Performance;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>What a section sheet says besides the music.</summary>
/// <param name="Passage">The passage.</param>
/// <param name="Due">The piece's date, or null.</param>
/// <param name="For">Names of the sections and players.</param>
/// <param name="CountOff">Beats to count before it, e.g. <c>3 beats</c>.</param>
/// <param name="Notes">Findings in order of measures, as reviewed; players read those that were sent.</param>
/// <param name="Remarks">The director's remarks in the passage.</param>
/// <param name="Advice">For each step what to leave out or to add; empty where nothing changes.</param>
/// <param name="MoveOn">When to go up a step and when back, by the house.</param>
/// <param name="Path">For each step the ways to practice it; none for the music as printed.</param>
public sealed record SheetView(
    PassageView Passage,
    DateOnly? Due,
    IReadOnlyList<string> For,
    string CountOff,
    IReadOnlyList<FindingView> Notes,
    IReadOnlyList<RemarkView> Remarks,
    IReadOnlyList<string> Advice,
    string MoveOn,
    IReadOnlyList<PathStepView> Path
);

/// <summary>A part in one page: what a player should know before the first note.</summary>
/// <param name="Frame">Signature, tempo words, count, pickup.</param>
/// <param name="Form">The form of the piece, or null.</param>
/// <param name="Know">What hides in the part, at most ten: what was sent first, then what waits for review.</param>
/// <param name="Remarks">The director's remarks to the part.</param>
/// <param name="Start">The passages to begin with, in the order of the house.</param>
public sealed record LetterView(
    IReadOnlyList<FindingView> Frame,
    FindingView? Form,
    IReadOnlyList<FindingView> Know,
    IReadOnlyList<RemarkView> Remarks,
    IReadOnlyList<StartView> Start
);

/// <summary>A passage to begin with.</summary>
public sealed record StartView(string From, string To, string Why);

/// <summary>What players read: section sheets and part letters.</summary>
internal static class SheetEndpoints
{
    private const int MostKnown = 10;
    private const int MostPassages = 3;

    private static readonly HashSet<string> Frame = ["signature", "tempo-words", "count-unit", "pickup", "meter-grouping"];
    private static readonly HashSet<string> NotKnown = [.. Frame, "form", "shared-line"];

    /// <summary>Maps the letter; sheets are mapped with the passages.</summary>
    public static void MapLetters(this RouteGroupBuilder api) => api.MapGet("/pieces/{id:long}/letter", Letter).WithTags("Study");

    public static Ok<SheetView> Sheet(
        long passage,
        PassageRepository passages,
        EnsembleRepository ensemble,
        QuietRepository quiets,
        PracticeRepository practice,
        PieceDesk desk,
        TimeProvider clock
    )
    {
        var row = Placed(passages.Get(passage));
        var piece = desk.Open(row.PieceId);
        var notes = Views(piece, Quiet.Of(quiets, piece), row.Place.Parts, f => row.Place.Meets(f.From, f.To));
        var names = ensemble
            .Sections()
            .Where(s => row.Sections.Contains(s.Id))
            .Select(s => s.Name)
            .Concat(ensemble.Players().Where(p => row.Players.Contains(p.Id)).Select(p => p.Name));
        var score = piece.Layer.Current;
        var beats = Lengths.Mixed(BeatsBefore(score, row));
        return TypedResults.Ok(
            new SheetView(
                AssignEndpoints.View(row, clock),
                piece.Row.Due,
                [.. names],
                beats == "1" ? "1 beat" : $"{beats} beats",
                notes,
                [.. MarkEndpoints.Of(piece).Where(r => row.Place.Meets(r.Index, r.Index) && row.Place.HasAny(r.Parts))],
                StepAdvice.Of(piece.Layer.Study, row.Place, row.Steps.Count),
                MoveOn.Words(piece.Layer.Knowledge.House),
                PathEndpoints.Of(piece, row, practice.Of(row.Id)).Steps
            )
        );
    }

    /// <summary>A passage that has its place in the edition on the desk.</summary>
    /// <exception cref="Refusal">It belongs to an earlier one.</exception>
    public static PassageRow Placed(PassageRow row) =>
        row.IsPlaced
            ? row
            : throw Refusal.Conflict($"\"{row.Title}\" belongs to an earlier edition of {row.PieceTitle}. Place it in this edition first.");

    // As the click counts it off at the first step.
    private static Fraction BeatsBefore(Score score, PassageRow row)
    {
        var first = score.Measures[row.Place.From.Index];
        return CountOffPlan.Of(score, first, row.Start.Unit.Quarters, row.Start.QuarterBpm, 1).Length
            / (first.Meter.IsSenza ? 1 : first.Meter.BeatUnit);
    }

    private static Ok<LetterView> Letter(long id, string part, PieceDesk desk, QuietRepository quiets)
    {
        var piece = desk.Open(id);
        var own = piece.Part(part).Id;
        var all = Views(piece, Quiet.Of(quiets, piece), [own], _ => true);
        var heat = piece.Layer.Heat.Where(c => c.Part == own).OrderBy(c => c.Measure).Select(c => c.Heat).ToList();
        return TypedResults.Ok(
            new LetterView(
                [.. all.Where(f => Frame.Contains(f.Rule)).OrderBy(f => f.FromIndex)],
                all.FirstOrDefault(f => f.Rule == "form"),
                [
                    .. all.Where(f => !NotKnown.Contains(f.Rule) && f.Review != ReviewStates.Held)
                        .Where(f => f.Shown || f.Review == ReviewStates.Sent)
                        .OrderBy(f => f.Review == ReviewStates.Sent ? 0 : 1)
                        .ThenBy(f => f.Rank)
                        .Take(MostKnown)
                        .OrderBy(f => f.FromIndex),
                ],
                [.. MarkEndpoints.Of(piece).Where(r => r.Parts.Contains(own))],
                [
                    .. FirstRanges
                        .Of(heat, piece.Layer.Knowledge.House, MostPassages)
                        .Select(p => new StartView(piece.Label(p.From), piece.Label(p.To), FirstRanges.Words(p.Heat))),
                ]
            )
        );
    }

    // Findings of some parts in the words of these parts, without what is quiet.
    private static List<FindingView> Views(OpenPiece piece, Quiet quiet, IReadOnlyCollection<string> parts, Func<Finding, bool> isThere)
    {
        var found = piece.Layer.Findings.Where(f => f.Parts.Any(parts.Contains) && isThere(f) && !quiet.Holds(f)).ToList();
        var shortlist = Shortlist.Of(piece.Layer.Study, found, parts);
        var views = new FindingViews(piece, quiet, shortlist);
        // What another entry stands for is not told twice, but in the director's own words.
        var covered = found.SelectMany(shortlist.AlsoOf).Select(f => f.Id).ToHashSet();
        bool IsTold(Finding f) => !covered.Contains(f.Id) || shortlist.Has(f) || quiet.SaidOf(f)?.Words is not null;
        return [.. found.Where(IsTold).Select(f => views.Of(f, parts))];
    }
}

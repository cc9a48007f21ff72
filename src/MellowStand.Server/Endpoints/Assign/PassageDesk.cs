using MellowStand.Core.Assign;
using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>Makes a passage out of what a director asks, and asks back where that looks like a slip.</summary>
public sealed class PassageDesk(PieceDesk desk, EnsembleRepository ensemble, PassageTempos tempos, TimeProvider clock)
{
    private const string UsualClimb = "step";
    private const double UsualStep = 4;
    private const int FewDays = 2;

    /// <summary>The passage as it would be kept.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="request">What is asked.</param>
    /// <param name="begins">The first day of work.</param>
    /// <exception cref="Refusal">Part, measures, people or tempo make no sense.</exception>
    public PassageRow Draft(long id, PassageRequest request, DateOnly begins)
    {
        var piece = desk.Open(id);
        var place = piece.Book.OfParts(request.Parts ?? [], request.From, request.To);
        if (place.Parts.Count == 0)
            throw Refusal.BadRequest("A passage needs at least one part. Select the parts that have it.");
        var (sections, players) = People(piece, place, request);
        var (start, goal) = Tempos(piece, place, request);
        var steps = PassagePlan.Of(
            start,
            goal,
            TempoEndpoints.By(request.By ?? UsualClimb),
            request.Value ?? UsualStep,
            begins,
            request.Due
        );
        var title = Names.CleanOrNull(request.Title) ?? $"Measures {place.From.Label}–{place.To.Label}";
        return new PassageRow(
            0,
            id,
            title,
            place,
            start.Unit.Name,
            start.Bpm,
            goal.Unit.Name,
            goal.Bpm,
            request.By ?? UsualClimb,
            request.Value ?? UsualStep,
            begins,
            request.Due,
            Names.CleanOrNull(request.Note) ?? "",
            sections,
            players,
            [.. steps.Select(s => new StepRow(s.Mark.Unit.Name, s.Mark.Bpm, s.By))]
        );
    }

    // Nobody named: those who are seated at the parts, whole sections as such.
    private (IReadOnlyList<long> Sections, IReadOnlyList<long> Players) People(OpenPiece piece, Address place, PassageRequest request)
    {
        var sections = (request.Sections ?? []).Distinct().ToList();
        var players = (request.Players ?? []).Distinct().ToList();
        var all = ensemble.Players();
        if (sections.Except(ensemble.Sections().Select(s => s.Id)).Any() || players.Except(all.Select(p => p.Id)).Any())
            throw Refusal.NotFound("A section or player is not in the ensemble any more. Load the page again.");
        if (sections.Count + players.Count > 0)
            return (sections, players);
        var seated = place.Parts.SelectMany(p => piece.Layer.Knowledge.Seats[p]).Select(s => s.Player).ToHashSet();
        if (seated.Count == 0)
            throw Refusal.BadRequest(
                $"Nobody is seated at {string.Join(", ", place.Parts.Select(piece.Layer.Study.NameOf))}. Choose at least "
                    + "one section or player to "
                    + "hand the passage to, or seat players under Parts and files."
            );
        var whole = all.GroupBy(p => p.SectionId).Where(g => g.All(p => seated.Contains(p.Id))).Select(g => g.Key).ToList();
        return (whole, [.. all.Where(p => seated.Contains(p.Id) && !whole.Contains(p.SectionId)).Select(p => p.Id)]);
    }

    // No tempo named: those of the window.
    private (TempoMark Start, TempoMark Goal) Tempos(OpenPiece piece, Address place, PassageRequest request)
    {
        if (request.Start is null && request.Goal is null && tempos.Of(piece, place) is { } window)
            return window;
        return (TempoEndpoints.Mark(request.Start, "start"), TempoEndpoints.Mark(request.Goal, "goal"));
    }

    /// <summary>What looks like a slip, each as a question; empty where nothing does.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="request">What is asked; half-filled is well.</param>
    public IReadOnlyList<string> Questions(long id, PassageRequest request)
    {
        var piece = desk.Open(id);
        var parts = piece.Book.OfParts(request.Parts ?? [], request.From, request.To).Parts;
        var questions = new List<string>();
        if (piece.Row.Due is { } concert && request.Due > concert)
            questions.Add($"The date is after {piece.Row.Title} is due ({concert:yyyy-MM-dd}). Hand it out all the same?");
        if (TooManySteps(request) is { } many)
            questions.Add(many);
        var instruments = parts.Select(piece.Layer.Knowledge.InstrumentOf).Select(i => i?.Id).ToHashSet();
        var seated = parts.SelectMany(p => piece.Layer.Knowledge.Seats[p]).Select(s => s.Player).ToHashSet();
        var names = string.Join(", ", parts.Select(piece.Layer.Study.NameOf));
        var all = ensemble.Players();
        bool Plays(PlayerRow p) => seated.Contains(p.Id) || p.Instrument is null || instruments.Contains(p.Instrument);
        foreach (var section in ensemble.Sections().Where(s => request.Sections?.Contains(s.Id) == true))
        {
            var own = all.Where(p => p.SectionId == section.Id).ToList();
            if (own.Count == 0)
                questions.Add($"Nobody is in {section.Name} yet. Hand it to the section all the same?");
            else if (!own.Any(Plays))
                questions.Add($"Nobody in {section.Name} plays {names}. Hand it to them all the same?");
        }

        foreach (var player in all.Where(p => request.Players?.Contains(p.Id) == true && !Plays(p)))
            questions.Add($"{player.Name} plays another instrument than {names}. Hand it to them all the same?");
        return questions;
    }

    // More steps than days, and some to spare, is no plan.
    private string? TooManySteps(PassageRequest request)
    {
        var days = request.Due.DayNumber - clock.Today().DayNumber + 1;
        if (request.Start is null || request.Goal is null || days < 1)
            return null;
        try
        {
            var steps = PassagePlan.Of(
                TempoEndpoints.Mark(request.Start, "start"),
                TempoEndpoints.Mark(request.Goal, "goal"),
                TempoEndpoints.By(request.By ?? UsualClimb),
                request.Value ?? UsualStep,
                clock.Today(),
                request.Due
            );
            return steps.Count > days * FewDays
                ? $"{steps.Count} steps in {days} {(days == 1 ? "day" : "days")}: hand it out all the same?"
                : null;
        }
        catch (LadderException)
        {
            return null;
        }
    }
}

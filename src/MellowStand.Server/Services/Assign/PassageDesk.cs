using MellowStand.Core.Assign;
using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Makes a passage out of what a director wants, and asks back where that looks like a slip.</summary>
public sealed class PassageDesk(PieceDesk desk, EnsembleRepository ensemble, WindowTempos tempos, TimeProvider clock)
{
    private const double UsualStep = 4;
    private const int FewDays = 2;

    /// <summary>The passage as it would be kept.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="wish">What is wanted.</param>
    /// <param name="begins">The first day of work.</param>
    /// <exception cref="Refusal">Part, measures or people make no sense.</exception>
    /// <exception cref="LadderException">The tempos make no ladder.</exception>
    public PassageRow Draft(long id, PassageWish wish, DateOnly begins)
    {
        var piece = desk.Open(id);
        var place = piece.Book.OfParts(wish.Parts, wish.From, wish.To);
        if (place.Parts.Count == 0)
            throw Refusal.BadRequest("A passage needs at least one part. Select the parts that have it.");
        var (sections, players) = People(piece, place, wish);
        var (start, goal) =
            wish.Tempos ?? tempos.Of(piece, place) ?? throw new LadderException("The ladder needs a start: {unit, bpm}.");
        var steps = PassagePlan.Of(start, goal, wish.By, wish.Value ?? UsualStep, begins, wish.Due);
        return new PassageRow(
            new PassageId(0),
            id,
            Names.CleanOrNull(wish.Title) ?? $"Measures {place.From.Label}–{place.To.Label}",
            place,
            start,
            goal,
            LadderWords.Of(wish.By),
            wish.Value ?? UsualStep,
            begins,
            wish.Due,
            Names.CleanOrNull(wish.Note) ?? "",
            sections,
            players,
            [.. steps.Select(s => new StepRow(s.Mark, s.By))]
        );
    }

    // Nobody named: those who are seated at the parts, whole sections as such.
    private (IReadOnlyList<SectionId> Sections, IReadOnlyList<PlayerId> Players) People(OpenPiece piece, Address place, PassageWish wish)
    {
        var (sections, players) = (wish.Sections.Distinct().ToList(), wish.Players.Distinct().ToList());
        var all = ensemble.Players();
        if (sections.Except(ensemble.Sections().Select(s => s.Id)).Any() || players.Except(all.Select(p => p.Id)).Any())
            throw Refusal.NotFound("A section or player is not in the ensemble any more. Load the page again.");
        if (sections.Count + players.Count > 0)
            return (sections, players);
        var seated = Seated(piece, place.Parts);
        if (seated.Count == 0)
            throw Refusal.BadRequest(
                $"Nobody is seated at {string.Join(", ", place.Parts.Select(piece.Layer.Study.NameOf))}. Choose at least "
                    + "one section or player to hand the passage to, or seat players under Parts and files."
            );
        var whole = all.GroupBy(p => p.SectionId).Where(g => g.All(p => seated.Contains(p.Id))).Select(g => g.Key).ToList();
        return (whole, [.. all.Where(p => seated.Contains(p.Id) && !whole.Contains(p.SectionId)).Select(p => p.Id)]);
    }

    /// <summary>What looks like a slip, each as a question; empty where nothing does.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="wish">What is wanted.</param>
    public IReadOnlyList<string> Questions(long id, PassageWish wish)
    {
        var piece = desk.Open(id);
        var parts = piece.Book.OfParts(wish.Parts, wish.From, wish.To).Parts;
        var questions = new List<string>();
        if (piece.Row.Due is { } concert && wish.Due > concert)
            questions.Add($"The date is after {piece.Row.Title} is due ({concert:yyyy-MM-dd}). Hand it out all the same?");
        if (TooManySteps(wish) is { } many)
            questions.Add(many);
        questions.AddRange(OfPeople(piece, parts, wish));
        return questions;
    }

    private IEnumerable<string> OfPeople(OpenPiece piece, IReadOnlyList<string> parts, PassageWish wish)
    {
        var instruments = parts.Select(piece.Layer.Knowledge.InstrumentOf).Select(i => i?.Id).ToHashSet();
        var seated = Seated(piece, parts);
        var names = string.Join(", ", parts.Select(piece.Layer.Study.NameOf));
        var all = ensemble.Players();
        bool Plays(PlayerRow p) => seated.Contains(p.Id) || p.Instrument is null || instruments.Contains(p.Instrument);
        foreach (var section in ensemble.Sections().Where(s => wish.Sections.Contains(s.Id)))
        {
            var own = all.Where(p => p.SectionId == section.Id).ToList();
            if (own.Count == 0)
                yield return $"Nobody is in {section.Name} yet. Hand it to the section all the same?";
            else if (!own.Any(Plays))
                yield return $"Nobody in {section.Name} plays {names}. Hand it to them all the same?";
        }

        foreach (var player in all.Where(p => wish.Players.Contains(p.Id) && !Plays(p)))
            yield return $"{player.Name} plays another instrument than {names}. Hand it to them all the same?";
    }

    private static HashSet<PlayerId> Seated(OpenPiece piece, IEnumerable<string> parts) =>
        [.. parts.SelectMany(p => piece.Layer.Knowledge.Seats[p]).Select(s => new PlayerId(s.Player))];

    // More steps than days, and some to spare, is no plan.
    private string? TooManySteps(PassageWish wish)
    {
        var days = wish.Due.DayNumber - clock.Today().DayNumber + 1;
        if (wish.Tempos is not { } marks || days < 1)
            return null;
        try
        {
            var steps = PassagePlan.Of(marks.Start, marks.Goal, wish.By, wish.Value ?? UsualStep, clock.Today(), wish.Due);
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

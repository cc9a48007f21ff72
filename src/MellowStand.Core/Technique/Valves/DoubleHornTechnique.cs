using System.Collections.Concurrent;

namespace MellowStand.Core.Technique.Valves;

/// <summary>The double horn: an F side and a B♭ side, with the same three valves.</summary>
/// <remarks>The F side below written G♯4, the B♭ side from there on; changing sides within a slur is heard. Common practice, no published
/// source.</remarks>
/// <param name="isDouble">False for a single horn in F.</param>
public sealed class DoubleHornTechnique(bool isDouble) : ITechnique
{
    private const int FirstOnBFlat = 68;
    private readonly ConcurrentDictionary<(int Written, int Sounding), IReadOnlyList<Candidate>> _known = new();

    private const int MostWays = 5;
    private const int FlatPartial = 4;
    private const double FlatFifth = 0.8;
    private const double OtherSide = 0.5;
    private const double ChangeSide = 0.12;
    private const double ChangeSideInSlur = 0.4;

    private static readonly ValveTechnique F = new(29, 3);
    private static readonly ValveTechnique BFlat = new(34, 3);

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        return Of(excerpt.Steps[place].Key, excerpt.Steps[place].Note.TopSounding!.Value);
    }

    /// <summary>Every way to sound a key.</summary>
    internal IReadOnlyList<Candidate> Of(int written, int midi) => _known.GetOrAdd((written, midi), k => Find(k.Written, k.Sounding));

    private IReadOnlyList<Candidate> Find(int written, int midi)
    {
        var high = written >= FirstOnBFlat && isDouble;
        var flat = isDouble ? Side(BFlat.Of(midi).Select(Fifth), HornSide.BFlat, high ? 0 : OtherSide) : [];
        return
        [
            .. Side(F.Of(midi), HornSide.F, high ? OtherSide : 0)
                .Concat(flat)
                .OrderBy(w => w.Cost)
                .Take(MostWays)
                .Select((w, i) => w with { IsUsual = i == 0 }),
        ];
    }

    // The fifth partial of the B♭ side is flat: A♭ and A are 2-3 and 1-2 there.
    private static Candidate Fifth(Candidate way) =>
        Of(way).Partial == FlatPartial ? way with { Cost = Math.Round(way.Cost + FlatFifth, 3) } : way;

    /// <inheritdoc/>
    public double Change(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        var cost = F.Change(excerpt, place, from, to);
        return Of(from).Side == Of(to).Side ? cost : cost + (excerpt.Steps[place].SlurredFrom ? ChangeSideInSlur : ChangeSide);
    }

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to) =>
        Of(from).Side != Of(to).Side && excerpt.Steps[place].SlurredFrom
            ? new Obstacle(ObstacleKind.Other, "the side changes inside a slur")
            : F.Reason(excerpt, place, from, to);

    private static ValvePlacement Of(Candidate way) => (ValvePlacement)way.Placement;

    private static IEnumerable<Candidate> Side(IEnumerable<Candidate> ways, HornSide side, double cost) =>
        ways.Select(w =>
            w with
            {
                Placement = new ValvePlacement(Of(w).Pressed, Of(w).Partial, side),
                Cost = Math.Round(w.Cost + cost, 3),
            }
        );
}

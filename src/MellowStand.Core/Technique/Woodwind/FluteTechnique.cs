namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Flute and piccolo: thumb, one-and-one and lever B♭.</summary>
/// <remarks>Thumb B♭ in flat keys, set early, not next to B♮; one-and-one where a B♮ is near; the lever in chromatic motion A–B♭–B♮. Common practice, no published source.</remarks>
public sealed class FluteTechnique : WoodwindTechnique
{
    private const int BFlat = 10;
    private const int BNatural = 11;

    /// <inheritdoc/>
    public override IReadOnlyList<Candidate> Ways(Passage passage, int place)
    {
        var p = passage.Steps[place].Written;
        if (p.PitchClass != BFlat || p.Midi > 84) return Only;
        var flats = passage.IsInFlats(place);
        var natural = passage.IsNear(place, 3, BNatural);
        var beside = passage.PitchClassAt(place, -1) == BNatural || passage.PitchClassAt(place, 1) == BNatural;
        var chromatic = beside && (passage.PitchClassAt(place, -1) == 9 || passage.PitchClassAt(place, 1) == 9);
        var quick = (passage.Steps[place].Before ?? 1) < 0.2;
        return
        [
            Way("thumb", (flats ? 0 : 0.6) + (natural ? 1.5 : 0) + (beside ? 2 : 0), natural ? "" : "no B♮ near: the thumb stays on the B♭ key", flats && !natural),
            Way("one-and-one", flats && !natural ? 0.5 : 0.2, natural ? "a B♮ is near: the thumb must stay on its own key" : "", !flats || natural),
            Way("lever", chromatic && quick ? 0.1 : 0.7, chromatic ? "chromatic between A and B♮: the lever moves alone" : "", false),
        ];
    }
}

using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A scale as a player names it.</summary>
/// <param name="Name">E.g. <c>E♭ major</c>, <c>C harmonic minor</c>.</param>
/// <param name="Set">Bits of its written pitch classes.</param>
/// <param name="Tonic">Written pitch class of its first degree.</param>
internal sealed record NamedScale(string Name, int Set, int Tonic);

/// <summary>Major and minor scales.</summary>
/// <remarks>Agrees with tests/reference/facts/scales.json (music21 10.5.1).</remarks>
internal static class Scales
{
    private static readonly (string Name, int[] Tones)[] Kinds =
    [
        ("major", [0, 2, 4, 5, 7, 9, 11]),
        ("minor", [0, 2, 3, 5, 7, 8, 10]),
        ("harmonic minor", [0, 2, 3, 5, 7, 8, 11]),
        ("melodic minor", [0, 2, 3, 5, 7, 9, 11]),
    ];

    /// <summary>The scale that holds every note of a run, or null.</summary>
    public static NamedScale? Fitting(IReadOnlyList<Note> run, KeySignature key)
    {
        var set = run.Aggregate(0, (s, n) => s | (1 << n.Top!.Value.PitchClass));
        var low = run.MinBy(n => n.TopSounding)!.Top!.Value.PitchClass;
        return Candidates(key, low).FirstOrDefault(s => (set & ~s.Set) == 0);
    }

    /// <summary>Scales in the order in which a player would think of them: of the signature, then on the run's lowest note, then by
    /// kind.</summary>
    public static IEnumerable<NamedScale> Candidates(KeySignature key, int low)
    {
        var home = ((key.Fifths * 7 % 12) + 12) % 12;
        if (low == (home + 9) % 12)
            yield return Of(1, low, key);
        yield return Of(0, home, key);
        for (var kind = 1; kind < Kinds.Length; kind++)
            yield return Of(kind, (home + 9) % 12, key);
        for (var kind = 0; kind < Kinds.Length; kind++)
            yield return Of(kind, low, key);
        for (var kind = 0; kind < Kinds.Length; kind++)
            for (var tonic = 0; tonic < 12; tonic++)
                yield return Of(kind, tonic, key);
    }

    private static NamedScale Of(int kind, int tonic, KeySignature key) =>
        new(
            $"{Spelling.Of(tonic, key)} {Kinds[kind].Name}",
            Kinds[kind].Tones.Aggregate(0, (set, t) => set | (1 << ((tonic + t) % 12))),
            tonic
        );
}

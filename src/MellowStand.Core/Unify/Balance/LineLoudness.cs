namespace MellowStand.Core.Unify.Balance;

/// <summary>Parts that go together in a measure, and how loud they are.</summary>
/// <param name="Parts">Ids of the parts.</param>
/// <param name="Players">Their players together.</param>
/// <param name="Decibels">Against one player at mezzo forte.</param>
/// <param name="Height">Mean sounding key of the highest part.</param>
/// <param name="Notes">Notes that it strikes here and in the measures beside.</param>
/// <param name="Pitches">Different keys among them.</param>
public sealed record LineLoudness(IReadOnlyList<string> Parts, int Players, double Decibels, double Height, int Notes, int Pitches);

/// <summary>The balance of a measure.</summary>
/// <param name="Measure">The measure from 0.</param>
/// <param name="Tune">The line that has the tune.</param>
/// <param name="Rest">All others together in decibels; negative infinity where the tune is alone.</param>
/// <param name="RestPlayers">Their players together.</param>
public sealed record MeasureBalance(int Measure, LineLoudness Tune, double Rest, int RestPlayers)
{
    /// <summary>How far the rest is above the tune in decibels; negative where the tune is on top.</summary>
    public double Cover => Rest - Tune.Decibels;
}

/// <summary>Measures in which the tune is covered.</summary>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
/// <param name="Tune">Ids of the parts that have the tune.</param>
/// <param name="Cover">How far the rest is above it, at the worst, in decibels.</param>
/// <param name="Why">The figures in a sentence.</param>
/// <param name="Cures">What would mend it, each in a sentence.</param>
public sealed record CoveredTune(int From, int To, IReadOnlyList<string> Tune, double Cover, string Why, IReadOnlyList<string> Cures);

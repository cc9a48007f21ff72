namespace MellowStand.Core.Auditions;

/// <summary>How likely a candidate is ready with all that a round asks.</summary>
/// <param name="Low">At least this likely, whatever hangs together.</param>
/// <param name="High">At most this likely: the weakest passage.</param>
/// <param name="Told">Passages of which a forecast can be told.</param>
/// <param name="Passages">Passages asked.</param>
public sealed record CandidateChance(double? Low, double? High, int Told, int Passages);

/// <summary>Puts the chances of a candidate's passages together.</summary>
/// <remarks>The passages of one player hang together in a way that nobody has measured, so that no single number is told: the chance of all
/// lies between the bounds of Fréchet ("Généralisation du théorème des probabilités totales", 1935), from memory.</remarks>
public static class CandidateChances
{
    /// <summary>The bounds.</summary>
    /// <param name="chances">Chance of each passage, null where too little was heard.</param>
    public static CandidateChance Of(IReadOnlyCollection<double?> chances)
    {
        var told = chances.OfType<double>().ToList();
        if (told.Count == 0)
            return new CandidateChance(null, null, 0, chances.Count);
        // Of what was not heard enough nothing is known: at worst it is missed.
        var low = told.Count < chances.Count ? 0 : Math.Max(0, 1 - told.Sum(c => 1 - c));
        return new CandidateChance(Math.Round(low, 3), Math.Round(told.Min(), 3), told.Count, chances.Count);
    }
}

namespace MellowStand.Core.Study.Heat;

/// <summary>How much each component counts; the weights add up to 1.</summary>
/// <remarks>Our own weights, no published source; each contribution is shown to the director.</remarks>
public static class HeatWeights
{
    /// <summary>Notes a second at the goal tempo: nothing below 0.3, full at 9.</summary>
    public const double NoteRate = 0.26;

    /// <summary>Finger, slide, bow or stick changes, as Technique costs them: full at 4 a measure.</summary>
    public const double Hands = 0.06;

    /// <summary>Leaps larger than a fifth: full where every second step is one.</summary>
    public const double Leaps = 0.1;

    /// <summary>Notes outside the signature: full at half of the notes.</summary>
    public const double Accidentals = 0.13;

    /// <summary>Signs of the written signature beyond three: full at seven.</summary>
    public const double KeyDistance = 0.05;

    /// <summary>Different note values, tuplets and notes off the beat: full at six.</summary>
    public const double Rhythm = 0.1;

    /// <summary>Changes of articulation from note to note: full where every second note changes.</summary>
    public const double Articulation = 0.06;

    /// <summary>Notes outside the comfortable range: full at half of the notes.</summary>
    public const double Range = 0.07;

    /// <summary>Trills, turns, mordents and graces: full at two.</summary>
    public const double Ornaments = 0.06;

    /// <summary>Nobody else plays.</summary>
    public const double Exposure = 0.03;

    /// <summary>Findings in the measure: full at three warnings.</summary>
    public const double Findings = 0.08;
}

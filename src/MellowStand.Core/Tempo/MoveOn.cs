using MellowStand.Core.HouseRules;

namespace MellowStand.Core.Tempo;

/// <summary>Where to go from a tempo step.</summary>
public enum NextStep
{
    /// <summary>The same step again.</summary>
    Stay,

    /// <summary>The next step.</summary>
    Up,

    /// <summary>The step before.</summary>
    Back,
}

/// <summary>When a player moves on, by the house rule <c>move-on</c>.</summary>
/// <remarks>Three clean in a row up, two missed back; five for the careful, one for the quick. Common practice, no published
/// source.</remarks>
public static class MoveOn
{
    private const int MissedBack = 2;

    private static readonly Dictionary<string, (int Clean, bool GoesBack, string Words)> Rules = new()
    {
        ["three-clean"] = (3, true, "Three clean in a row: one step up. Two missed in a row: one step back."),
        ["five-clean"] = (5, true, "Five clean in a row: one step up. Two missed in a row: one step back."),
        ["once-clean"] = (1, false, "Once clean: the next step."),
    };

    /// <summary>The rule in words for players.</summary>
    public static string Words(House house) => Rules[house["move-on"]].Words;

    /// <summary>Where to go after some tries at one step.</summary>
    /// <param name="house">The school's answers.</param>
    /// <param name="tries">Whether each try was clean, the newest last.</param>
    public static NextStep After(House house, IReadOnlyList<bool> tries)
    {
        var (clean, goesBack, _) = Rules[house["move-on"]];
        if (tries.Count >= clean && tries.TakeLast(clean).All(t => t))
            return NextStep.Up;
        return goesBack && tries.Count >= MissedBack && tries.TakeLast(MissedBack).All(t => !t) ? NextStep.Back : NextStep.Stay;
    }
}

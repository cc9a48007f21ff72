using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Finds where parts that share a line disagree.</summary>
public static class UnifyDesk
{
    /// <summary>Every kind of difference.</summary>
    internal static IReadOnlyList<IDifferenceRule> Rules { get; } =
    [
        .. typeof(UnifyDesk)
            .Assembly.GetTypes()
            .Where(t => t is { IsAbstract: false, IsInterface: false } && typeof(IDifferenceRule).IsAssignableFrom(t))
            .OrderBy(t => t.Name, StringComparer.Ordinal)
            .Select(t => (IDifferenceRule)Activator.CreateInstance(t)!),
    ];

    /// <summary>The shared lines and every difference in them, in score order, with recognised instruments and default leaders.</summary>
    /// <param name="score">The score as printed, without decisions.</param>
    /// <param name="house">The school's answers.</param>
    public static Comparison Compare(Score score, House house) => Comparison.Of(new UnifyContext(score, house));

    /// <summary>The shared lines and every difference in them, in score order.</summary>
    /// <param name="context">The score with what the school knows of it.</param>
    public static Comparison Compare(UnifyContext context) => Comparison.Of(context);
}

using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Two slurs over the same notes: a short one inside a long one.</summary>
/// <remarks>The long one is the phrase, the short ones say how it is tongued or bowed; or two editions were printed in one, which the house
/// decides (<c>two-slurs</c>). Common practice, no published source.</remarks>
[Example("| C5q[ D5q[ E5q] F5q]", 1)]
[Example("| C5q[ D5q] E5q[ F5q]", 0)]
[Example("| C5q[ D5q E5q F5q]", 0)]
public sealed class SlurInSlur : IStudyRule
{
    private static readonly Dictionary<string, string> House = new()
    {
        ["longer"] = "by the house rule the long one is played",
        ["shorter"] = "by the house rule the short one is played",
    };

    /// <inheritdoc/>
    public string Name => "slur-in-slur";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Articulation;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var inner = Inner(part.Slurs).Select(s => s.From).OrderBy(n => n.Onset);
        var choice = House.GetValueOrDefault(context.House["two-slurs"], "decide which is meant");
        var means = context.InstrumentOf(part)?.Sustain == Sustain.Bow ? "how it is bowed" : "how it is begun anew";
        return Stretches
            .Of(inner)
            .Select(s =>
                Finding.At(
                    Name,
                    part,
                    s,
                    Severity.Tell,
                    "Two slurs over the same notes",
                    $"The long one is the phrase, the short one says {means}: {choice}."
                )
            );
    }

    // Slurs come by onset: one that holds another has begun with it or before, and is open still.
    private static IEnumerable<Slur> Inner(IReadOnlyList<Slur> slurs)
    {
        var open = new List<Slur>();
        for (var i = 0; i < slurs.Count; i++)
        {
            open.RemoveAll(o => o.To.Onset <= slurs[i].From.Onset);
            open.Add(slurs[i]);
            var with = slurs.Skip(i + 1).TakeWhile(s => s.From.Onset == slurs[i].From.Onset);
            if (open.Concat(with).Any(o => o.Holds(slurs[i])))
                yield return slurs[i];
        }
    }
}

using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Rules;

namespace MellowStand.Core.Assign;

/// <summary>Which measures of a part are earlier ones again.</summary>
internal sealed class CutReturns
{
    private readonly Dictionary<int, (int Earlier, bool IsSame)> _again = [];

    private CutReturns() { }

    /// <summary>Reads the returns of a part.</summary>
    public static CutReturns Of(StudyContext context, Part part)
    {
        var returns = new CutReturns();
        foreach (var block in context.FactsOf(part).Returns)
            for (var k = 0; k < block.Length; k++)
                returns._again[block.Again + k] = (block.First + k, IsSame(context, part, block, k));
        return returns;
    }

    /// <summary>The earlier measure that comes again in a measure, as first met; null for new music.</summary>
    public int? Earlier(int measure) => _again.TryGetValue(measure, out var there) ? Earlier(there.Earlier) ?? there.Earlier : null;

    /// <summary>True when it comes again with the same notes and marks.</summary>
    public bool IsSame(int measure) => _again.TryGetValue(measure, out var there) && there.IsSame;

    private static bool IsSame(StudyContext context, Part part, RepeatedBlock block, int place)
    {
        var content = context.ContentOf(part);
        return !block.Different.Contains(place) && content[block.First + place].Marks == content[block.Again + place].Marks;
    }
}

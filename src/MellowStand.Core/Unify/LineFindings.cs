using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>What the rules found in one line.</summary>
/// <param name="Line">The line.</param>
/// <param name="ByKind">For each kind that was looked for, in the order of the rules, what was found; only kinds with findings.</param>
internal sealed record LineFindings(SharedLine Line, IReadOnlyList<(string Kind, IReadOnlyList<Difference> Found)> ByKind)
{
    /// <summary>All that was found.</summary>
    public IEnumerable<Difference> All => ByKind.SelectMany(k => k.Found);

    /// <summary>Looks for every kind, as in a line of the same notes.</summary>
    public static LineFindings OfShared(UnifyContext context, SharedLine line) => Of(context, line, UnifyDesk.Rules);

    /// <summary>Looks for the kinds that mean something in a line of the same rhythm, or in a return.</summary>
    public static LineFindings OfRelated(UnifyContext context, SharedLine line) =>
        Of(context, line, UnifyDesk.Rules.Where(r => RelatedDifferences.LooksFor(line, r.Name)));

    /// <summary>True when one of its parts is among those.</summary>
    public bool Touches(IReadOnlyDictionary<Part, Part> parts) => Line.Voices.Any(v => parts.ContainsKey(v.Part));

    private static LineFindings Of(UnifyContext context, SharedLine line, IEnumerable<IDifferenceRule> rules) =>
        new(
            line,
            [
                .. rules
                    .Select(r => (Kind: r.Name, Found: (IReadOnlyList<Difference>)[.. r.Find(context, line)]))
                    .Where(k => k.Found.Count > 0),
            ]
        );
}

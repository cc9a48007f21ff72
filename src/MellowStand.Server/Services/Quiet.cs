using MellowStand.Core.Study;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Findings and rules that were dismissed in a piece.</summary>
/// <param name="Findings">Ids of findings.</param>
/// <param name="Rules">Rule to whether it is quiet everywhere.</param>
internal sealed record Quiet(IReadOnlySet<string> Findings, IReadOnlyDictionary<string, bool> Rules)
{
    public static Quiet Of(QuietRepository repository, OpenPiece piece) =>
        new(
            repository.Findings(piece.Row.Id).Where(q => q.Place.Edition == piece.Row.Edition).Select(q => q.Finding).ToHashSet(),
            repository.Rules(piece.Row.Id)
        );

    public bool Holds(Finding f) => Findings.Contains(f.Id) || Rules.ContainsKey(f.Rule);
}

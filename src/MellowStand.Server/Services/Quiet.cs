using MellowStand.Core.Study;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>What the director said of the findings of a piece.</summary>
/// <param name="Said">Id of a finding to what was said of it.</param>
/// <param name="Rules">Quiet rules, each with whether it is quiet everywhere.</param>
internal sealed record Quiet(IReadOnlyDictionary<string, ReviewedFinding> Said, IReadOnlyDictionary<string, bool> Rules)
{
    public static Quiet Of(QuietRepository repository, OpenPiece piece) => Of(repository, [piece])[piece.Row.Id];

    /// <summary>What was said in many pieces: piece to what was said in it.</summary>
    public static IReadOnlyDictionary<long, Quiet> Of(QuietRepository repository, IReadOnlyCollection<OpenPiece> pieces)
    {
        var (said, rules) = repository.Of(pieces.Select(p => p.Row.Id));
        return pieces.ToDictionary(
            p => p.Row.Id,
            p => new Quiet(
                said[p.Row.Id].Where(q => q.Place.Edition == p.Row.Edition).DistinctBy(q => q.Finding).ToDictionary(q => q.Finding),
                rules[p.Row.Id]
            )
        );
    }

    /// <summary>What was said of a finding, or null.</summary>
    public ReviewedFinding? SaidOf(Finding f) => Said.GetValueOrDefault(f.Id);

    /// <summary>True for a dismissed finding, and for one of a quiet rule.</summary>
    public bool Holds(Finding f) => SaidOf(f)?.State == ReviewStates.Dismissed || Rules.ContainsKey(f.Rule);
}

using MellowStand.Core.Layers;
using MellowStand.Core.Notation;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>At the start, brings pieces that an earlier version kept to the form of this one: editions named, findings and differences by
/// what they are about.</summary>
public sealed class UpgradeService(
    UpgradeRepository upgrades,
    PieceStateRepository states,
    EditionRepository editions,
    ILogger<UpgradeService> log
)
{
    /// <summary>Upgrades what waits for it; a piece that cannot be read is told in the log and left as it is.</summary>
    public void Run()
    {
        upgrades.NameOldEditions();
        foreach (var piece in upgrades.Waiting())
        {
            try
            {
                upgrades.Apply(piece, Of(piece));
            }
#pragma warning disable CA1031 // Whatever is wrong with one piece, the others are upgraded and the server starts.
            catch (Exception e)
#pragma warning restore CA1031
            {
                log.LogWarning(e, "Piece {Piece} cannot be read any more and is left as it is", piece);
            }
        }
    }

    private Upgrade Of(long piece)
    {
        var edition = Edition.Read(states.Original(piece)!);
        var there = editions.Belongings(piece);
        var chosen = there.Instruments.ToDictionary(i => i.Part, i => i.Instrument);
        var leaders = there.Leaders.ToDictionary(l => l.Row.Parts, l => l.Row.Leader);
        var knowledge = new Knowledge(edition.Printed, states.School(), chosen, leaders);
        var layer = Layer.Of(edition, knowledge, states.Decisions(piece));
        var book = new AddressBook(edition.Id, edition.Printed);
        return new Upgrade(
            edition.Id,
            [.. edition.Printed.Measures.Select(m => m.Label)],
            edition.Printed.Parts.ToDictionary(p => p.Id, p => p.Name),
            there.Quiet.Count == 0
                ? new Dictionary<string, ReviewedFinding>()
                : layer
                    .Findings.DistinctBy(f => f.FormerId)
                    .ToDictionary(f => f.FormerId, f => new ReviewedFinding(f.Id, f.Title, f.Key, book.At(f.Parts, f.From, f.To))),
            layer.Differences.DistinctBy(d => d.FormerId).ToDictionary(d => d.FormerId, d => d.Id)
        );
    }
}

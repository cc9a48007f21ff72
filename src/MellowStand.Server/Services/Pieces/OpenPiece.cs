using MellowStand.Core.Layers;
using MellowStand.Core.Notation;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>A piece as it stands at one moment: never changed, safe for many readers.</summary>
/// <param name="Row">The shelf's row, with the counters it was read under.</param>
/// <param name="Layer">The decisions over the edition, and what the stations say.</param>
/// <param name="Versions">For each difference that was ever decided how often that changed.</param>
public sealed record OpenPiece(PieceRow Row, Layer Layer, IReadOnlyDictionary<string, int> Versions)
{
    /// <summary>The addresses of the piece.</summary>
    public AddressBook Book { get; } = new(Layer.Edition.Id, Layer.Current);

    /// <summary>The part with the id, with the decisions.</summary>
    /// <exception cref="AddressException">There is none.</exception>
    public Part Part(string id) => Book.Part(id);

    /// <summary>The printed label of a measure.</summary>
    public string Label(int measure) => Layer.Current.Measures[measure].Label;

    /// <summary>How often what was decided of a difference has changed.</summary>
    public int VersionOf(string difference) => Versions.GetValueOrDefault(difference);
}

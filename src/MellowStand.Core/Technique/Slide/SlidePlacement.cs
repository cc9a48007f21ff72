using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Slide;

/// <summary>A tube of the trombone.</summary>
public enum SlideTube
{
    /// <summary>The open tube in B♭.</summary>
    Open,

    /// <summary>With the F attachment.</summary>
    F,

    /// <summary>With both valves of a bass trombone: a tube in D.</summary>
    D,
}

/// <summary>Where the slide is.</summary>
/// <param name="Tube">The tube that the air goes through.</param>
/// <param name="Position">The position, from 1.</param>
/// <param name="Partial">The partial that sounds, from 0 for the fundamental.</param>
public sealed record SlidePlacement(SlideTube Tube, int Position, int Partial) : Placement(CodeOf(Tube, Position))
{
    /// <summary>True where a valve is held.</summary>
    public bool HasValve => Tube != SlideTube.Open;

    /// <inheritdoc/>
    public override string Words =>
        Tube switch
        {
            SlideTube.F => "F valve, ",
            SlideTube.D => "both valves, ",
            _ => "",
        } + $"{Ordinal(Position.ToString(CultureInfo.InvariantCulture))} position";

    /// <inheritdoc/>
    public override IReadOnlyList<Mark> Marks => [new Mark("fingering", Sign)];

    private static string CodeOf(SlideTube tube, int position) =>
        (tube == SlideTube.Open ? "" : tube.ToString()) + position.ToString(CultureInfo.InvariantCulture);
}

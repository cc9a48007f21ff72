using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Valves;

/// <summary>A side of the double horn.</summary>
public enum HornSide
{
    /// <summary>The tube in F.</summary>
    F,

    /// <summary>The tube in B♭: the thumb opens it.</summary>
    BFlat,
}

/// <summary>Valves that are down.</summary>
/// <param name="Pressed">Bit 0 is the first valve.</param>
/// <param name="Partial">The partial that sounds, from 0 for the fundamental.</param>
/// <param name="Side">Of a double horn its side; null for all else.</param>
public sealed record ValvePlacement(int Pressed, int Partial, HornSide? Side = null) : Placement(CodeOf(Pressed, Side))
{
    private const int Most = 4;

    /// <inheritdoc/>
    /// <remarks>Numbers run together; horn players write T for the thumb that opens the B♭ side.</remarks>
    public override string Sign => (Side == HornSide.BFlat ? "T" : "") + Numbers(Pressed, "");

    /// <inheritdoc/>
    public override string Words =>
        Side switch
        {
            HornSide.BFlat => "B♭ side, ",
            HornSide.F => "F side, ",
            _ => "",
        }
        + int.PopCount(Pressed) switch
        {
            0 => "open",
            1 => $"valve {Numbers(Pressed, "-")}",
            _ => $"valves {Numbers(Pressed, "-")}",
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Mark> Marks => [new Mark("fingering", Sign)];

    /// <summary>The numbers of the valves that are down; empty for the open tube.</summary>
    public IReadOnlyList<string> Valves =>
        [
            .. Enumerable
                .Range(0, Most)
                .Where(v => (Pressed & (1 << v)) != 0)
                .Select(v => (v + 1).ToString(CultureInfo.InvariantCulture)),
        ];

    /// <inheritdoc/>
    /// <remarks>However the numbers are written: <c>1-2</c>, <c>1 2</c>, <c>12</c>.</remarks>
    public override bool IsMeantBy(string text) =>
        base.IsMeantBy(text) || (Side is null && string.Concat(text.Where(char.IsDigit)) == Sign);

    /// <summary>True where one finger goes up while another goes down.</summary>
    internal static bool Cross(ValvePlacement from, ValvePlacement to) =>
        (from.Pressed & ~to.Pressed) != 0 && (to.Pressed & ~from.Pressed) != 0;

    private static string CodeOf(int pressed, HornSide? side) =>
        side switch
        {
            HornSide.BFlat => "Bb:",
            HornSide.F => "F:",
            _ => "",
        } + Numbers(pressed, "-");

    private static string Numbers(int pressed, string between)
    {
        var valves = Enumerable.Range(0, Most).Where(v => (pressed & (1 << v)) != 0).Select(v => v + 1);
        return pressed == 0 ? "0" : string.Join(between, valves);
    }
}

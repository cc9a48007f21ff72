using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>What is in force while a part is read: divisions, key, meter, transposition, clef.</summary>
internal sealed class PartState
{
    public int Divisions { get; private set; } = 1;

    public KeySignature Key { get; private set; } = KeySignature.None;

    public Meter Meter { get; private set; } = Meter.CommonTime;

    public Transposition Transposition { get; private set; }

    public Transposition? FirstTransposition { get; private set; }

    public string? FirstClef { get; private set; }

    public int Staves { get; private set; } = 1;

    /// <summary>Takes an <c>attributes</c> element into force.</summary>
    public void Apply(XElement attributes, Action<string> warn)
    {
        foreach (var e in attributes.Elements())
        {
            switch (e.Name.LocalName)
            {
                case "divisions":
                    SetDivisions(e, warn);
                    break;
                case "key":
                    Key = AttributeReader.Key(e) ?? Key;
                    break;
                case "time":
                    Meter = AttributeReader.Meter(e) ?? Meter;
                    break;
                case "transpose":
                    Transposition = AttributeReader.Transpose(e);
                    break;
                case "staves":
                    Staves = Math.Clamp(e.Int() ?? 1, 1, 16);
                    break;
                case "clef" when e.Attribute("number")?.Value is null or "1":
                    FirstClef ??= AttributeReader.Clef(e);
                    break;
                default:
                    break;
            }
        }

        FirstTransposition ??= Transposition;
    }

    private void SetDivisions(XElement e, Action<string> warn)
    {
        if (e.Int() is > 0 and <= 1_000_000 and { } n)
            Divisions = n;
        else
            warn($"the number of divisions \"{Short(e.Value)}\" makes no sense: {Divisions} is kept");
    }

    internal static string Short(string text) => text.Length <= 20 ? text : text[..20] + "…";
}

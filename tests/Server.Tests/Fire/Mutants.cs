using System.Text;
using System.Xml.Linq;
using MellowStand.Core.Tests;

namespace MellowStand.Server.Tests.Fire;

/// <summary>Scores of the suite, broken in ways that files from outside are broken in: elements lost, doubled, moved, renamed, numbers that
/// make no sense, parts under other names, notes without pitch or length.</summary>
internal sealed class Mutants(int seed)
{
    private const int LargestSeedFile = 40_000;

    private static readonly string[] Numbers =
    [
        "0",
        "-1",
        "-0",
        "",
        "1",
        "7",
        "255",
        "65536",
        "999983",
        "2147483647",
        "99999999999999999999",
        "1e9",
        "0.333333333",
        "NaN",
        "4/4",
        "x",
    ];

    private static readonly string[] Names =
    [
        "Violin I",
        "Viola",
        "Violoncello",
        "Double Bass",
        "Trumpet in B♭",
        "Horn in F 1 & 2",
        "Trombone",
        "Bass Trombone",
        "Tuba",
        "Flute",
        "Clarinet in B♭",
        "Bassoon",
        "Oboe",
        "Alto Saxophone",
        "Timpani",
        "Snare Drum",
        "Xylophone",
        "Harp",
        "Guitar",
        "Piano",
        "",
    ];

    private static readonly string[] Marks =
    [
        "<notations><slur type=\"start\"/></notations>",
        "<notations><slur type=\"stop\"/></notations>",
        "<tie type=\"start\"/>",
        "<tie type=\"stop\"/>",
        "<grace/>",
        "<chord/>",
        "<cue/>",
        "<rest/>",
        "<dot/>",
        "<unpitched/>",
        "<duration>0</duration>",
        "<type>256th</type>",
        "<type>maxima</type>",
        "<notations><articulations><staccato/><accent/></articulations></notations>",
        "<notations><technical><fingering>9</fingering><string>7</string></technical></notations>",
        "<notations><ornaments><tremolo>3</tremolo><trill-mark/></ornaments></notations>",
        "<time-modification><actual-notes>0</actual-notes><normal-notes>7</normal-notes></time-modification>",
    ];

    private readonly Random _random = new(seed);
    private readonly List<XDocument> _seeds =
    [
        .. Reference
            .Files("suite")
            .Where(f => f.EndsWith(".xml", StringComparison.Ordinal))
            .Select(Reference.Bytes)
            .Where(b => b.Length < LargestSeedFile)
            .Select(b => Core.Formats.MusicXml.ScoreFile.Load(b)),
    ];

    /// <summary>The next broken file.</summary>
    public byte[] Next()
    {
        var document = new XDocument(_seeds[_random.Next(_seeds.Count)]);
        for (var k = _random.Next(1, 8); k > 0; k--)
            Break(document);
        return Encoding.UTF8.GetBytes(document.ToString(SaveOptions.DisableFormatting));
    }

    private void Break(XDocument document)
    {
        var all = document.Root!.Descendants().ToList();
        if (all.Count == 0)
            return;
        var one = all[_random.Next(all.Count)];
        Action[] ways =
        [
            () => one.Remove(),
            () => one.AddAfterSelf(new XElement(one)),
            () => one.AddBeforeSelf(new XElement(all[_random.Next(all.Count)])),
            () => Leaf(all)?.SetValue(Pick(Numbers)),
            () => Leaf(all)?.SetValue(Pick(Numbers)),
            () => Named(all, "duration", "divisions", "octave", "beats", "beat-type", "fifths")?.SetValue(Pick(Numbers)),
            () => Named(all, "part-name")?.SetValue(Pick(Names)),
            () => Named(all, "part-name")?.SetValue(Pick(Names)),
            () => Named(all, "pitch")?.ReplaceWith(XElement.Parse("<unpitched><display-step>E</display-step></unpitched>")),
            () => Unpitch(all),
            () => Named(all, "duration")?.Remove(),
            () => Named(all, "note")?.Add(XElement.Parse(Pick(Marks))),
            () => Named(all, "note")?.AddFirst(XElement.Parse(Pick(Marks))),
            () => Attributed(one),
            () => one.Name = all[_random.Next(all.Count)].Name,
        ];
        ways[_random.Next(ways.Length)]();
    }

    // A part of drums under the name of an instrument with pitches, or the other way round.
    private void Unpitch(List<XElement> all)
    {
        var part = Named(all, "part");
        foreach (var pitch in part?.Descendants("pitch").ToList() ?? [])
            pitch.ReplaceWith(new XElement("unpitched"));
        Named(all, "part-name")?.SetValue(Pick(Names));
    }

    private void Attributed(XElement one)
    {
        var attributes = one.Attributes().ToList();
        if (attributes.Count > 0)
            attributes[_random.Next(attributes.Count)].Value = Pick(Numbers);
    }

    private XElement? Leaf(List<XElement> all) => PickOrNull([.. all.Where(e => !e.HasElements && e.Value.Length > 0)]);

    private XElement? Named(List<XElement> all, params string[] names) =>
        PickOrNull([.. all.Where(e => e.Parent is not null && names.Contains(e.Name.LocalName))]);

    private string Pick(string[] from) => from[_random.Next(from.Length)];

    private XElement? PickOrNull(List<XElement> from) => from.Count == 0 ? null : from[_random.Next(from.Count)];
}

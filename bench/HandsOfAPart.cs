using System.Globalization;
using System.Text;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique;
using MellowStand.Core.Unify;
using MellowStand.Core.Unify.Bows;

namespace MellowStand.Bench;

/// <summary>Technique of a part of 160 measures, family by family, and the bowing of its strokes, as ratios to reading the part's
/// file.</summary>
internal static class HandsOfAPart
{
    // Two notes slurred, two apart.
    private static readonly string[] Slurs = ["[", "]", "", ""];

    private const int Measures = 160;

    private static readonly string[] Instruments =
    [
        "flute",
        "oboe",
        "clarinet-bb",
        "alto-sax",
        "bassoon",
        "trumpet-bb",
        "horn-f",
        "euphonium",
        "trombone",
        "violin",
        "cello",
        "contrabass",
        "marimba",
        "timpani",
    ];

    // Two notes at a time, others after sixteen measures.
    private static readonly int[] Kettles = [43, 48, 50, 53];

    public static void Compare()
    {
        foreach (var id in Instruments)
        {
            var instrument = Catalog.Find(id)!;
            var bytes = Part(instrument);
            var score = ScoreReader.Read(bytes);
            object Read() => ScoreReader.Read(bytes);
            var name = instrument.Name.ToLowerInvariant();
            Ratios.Say($"technique of a {name} part to reading it", Ratios.Of(() => Solved(score, instrument), Read));
            Ratios.Say("  with all other ways told", Ratios.Of(() => (object)Told(score, instrument), Read));
            if (id == "violin")
                Bows(score, instrument, Read);
        }
    }

    private static TechniquePlan Solved(Score score, Instrument instrument) =>
        TechniqueDesk.Solve(score, score.Parts[0], 0, Measures - 1, House.Default, instrument, _ => 110)!;

    // As the page of Technique asks for it: every other way of every note with its price and what speaks against it.
    private static int Told(Score score, Instrument instrument) =>
        Solved(score, instrument).Solution.Choices.Sum(c => c.Alternatives.Count);

    private static void Bows(Score score, Instrument violin, Func<object> read)
    {
        var context = new UnifyContext(score, House.Default, new Dictionary<string, string>(), _ => violin);
        var strokes = BowDesk.Plan(context, [], _ => 110).Sum(p => p.Choices.Count);
        var ratio = Ratios.Of(() => BowDesk.Plan(context, [], _ => 110), read);
        Ratios.Say($"bowing of a thousand strokes to reading the part ({strokes} strokes)", ratio / strokes * 1000);
    }

    // A part that wanders through the comfortable range by a fixed rule, eighth notes with slurs.
    private static byte[] Part(Instrument instrument)
    {
        string[] names = ["C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"];
        var random = new Random(160);
        var t = instrument.Transposition;
        var text = new StringBuilder($"part \"{instrument.Name}\" transpose:{t.Diatonic},{t.Chromatic},{t.Octaves}\nkey:C meter:4/4 | ");
        var midi = (instrument.Low.Midi + instrument.High.Midi) / 2;
        for (var m = 0; m < Measures; m++)
        {
            for (var i = 0; i < 8; i++)
            {
                text.Append(CultureInfo.InvariantCulture, $"{names[midi % 12]}{(midi / 12) - 1}e{Slurs[i % 4]}  ");
                midi =
                    instrument.Id == "timpani"
                        ? Kettles[random.Next(2) + (m / 16 % 3)]
                        : Math.Clamp(midi + random.Next(-4, 5), instrument.Low.Midi, instrument.High.Midi);
            }

            text.Append("| ");
        }

        return ScoreExport.Serialize(ShortFormReader.Document(text.ToString()));
    }
}

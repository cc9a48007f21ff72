using System.Text.Json;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Strings;

namespace MellowStand.Core.Tests.Technique;

/// <summary>What is fingered can be held by a hand: every part of every reference score, given to each bowed instrument, against
/// millimetres that the engine knows nothing of.</summary>
/// <remarks>A stop n half steps up leaves 2^(-n/12) of the string (its frequency goes with 1/L: any text on the vibrating string). Open
/// strings: tests/reference/facts/instruments.json (music21 10.5.1). Lengths of the strings, what a hand spans, and how quickly it goes are
/// from memory.</remarks>
public sealed class StringReachTests
{
    private const double MostSpeed = 3000;
    private const double Bpm = 96;
    private const double Quickest = 0.125;

    private static readonly Dictionary<string, (string Fact, double String, double Span)> Bodies = new()
    {
        ["violin"] = ("Violin", 328, 118),
        ["viola"] = ("Viola", 375, 135),
        ["cello"] = ("Violoncello", 690, 150),
        ["contrabass"] = ("Contrabass", 1060, 150),
    };

    public static TheoryData<string, string> All
    {
        get
        {
            var all = new TheoryData<string, string>();
            foreach (var score in Reference.Files("scores"))
                foreach (var instrument in Bodies.Keys)
                    all.Add(score, instrument);
            return all;
        }
    }

    [Theory]
    [MemberData(nameof(All))]
    public void A_hand_can_hold_what_is_fingered(string file, string id)
    {
        var score = ScoreReader.Read(Reference.Bytes(file));
        var body = new Body(id);
        var seen = 0;
        foreach (var part in score.Parts.Where(p => p.Notes.Any(n => n.TopSounding is not null)))
        {
            var plan = TechniqueDesk.Solve(score, part, 0, score.Measures.Count - 1, House.Default, Catalog.Find(id), _ => Bpm)!;
            (StringPlacement Placement, Step Step)? before = null;
            foreach (var choice in plan.Solution.Choices)
            {
                var step = plan.Excerpt.Steps[choice.Place];
                var told = $"{part.Name}, measure {step.Note.MeasureIndex + 1}: {choice.Way.Code} for {step.Written}";
                var heads = choice.Way.Placement.Heads.Cast<StringPlacement>().ToList();
                body.Holds(heads, step, told);
                if (heads is not [{ IsOpen: false, Node: null } now])
                    continue;
                if (before is { } b)
                    body.Reaches(b.Placement, b.Step, now, step, told);
                before = (now, step);
                seen++;
            }
        }

        Assert.True(seen > 0, "nothing was fingered");
    }

    private sealed class Body
    {
        private readonly List<int> _open;
        private readonly double _length;
        private readonly double _span;

        public Body(string id)
        {
            var (fact, length, span) = Bodies[id];
            var rows = JsonDocument.Parse(Reference.Bytes("facts/instruments.json")).RootElement.EnumerateArray();
            var own = rows.First(r => r.GetProperty("instrument").GetString() == fact);
            _open = [.. own.GetProperty("strings").EnumerateArray().Select(s => s.GetInt32()).Order()];
            (_length, _span) = (length, span);
        }

        // Each note on a string of its own, at or above the open one, and all of them under one hand.
        public void Holds(List<StringPlacement> heads, Step step, string told)
        {
            Assert.True(heads.Count == heads.Select(h => h.String).Distinct().Count(), told);
            var keys = step.Note.Heads.Where(h => h.Sounding is not null).Select(h => h.Sounding!.Value).Order().ToList();
            if (heads.Count != keys.Count)
                return;
            Assert.All(heads.Zip(keys), h => Assert.True(h.First.IsOpen == (h.Second == _open[h.First.String]), told));
            var stops = heads.Zip(keys).Where(h => h.First is { IsOpen: false, Node: null }).Select(h => Stop(h.First.String, h.Second));
            Assert.True(Wide(stops) <= _span, told);
        }

        public void Reaches(StringPlacement from, Step first, StringPlacement to, Step second, string told)
        {
            var (a, b) = (Stop(from.String, first.Note.TopSounding!.Value), Stop(to.String, second.Note.TopSounding!.Value));
            // From opened forward to reached back is a move of the hand.
            var isOneHand = from.Hand == to.Hand && (from.Lie, to.Lie) is not ((Lie.Forward, Lie.Back) or (Lie.Back, Lie.Forward));
            if (isOneHand)
            {
                Assert.True(Math.Abs(a - b) <= _span, told);
                if (from.String == to.String && from.HasThumb == to.HasThumb && from.Finger < Necks.Thumb && to.Finger < Necks.Thumb)
                    Assert.True(Math.Sign(b - a) * Math.Sign(to.Finger - from.Finger) >= 0, told);
                return;
            }

            // A grace takes the time that it needs, and what is quicker than an eighth of a second over the whole neck is a keyboard's.
            var seconds = (second.Note.Onset - first.Note.Onset).Value * 60 / Bpm;
            if (seconds < Quickest)
                return;
            var moves = Math.Abs(At(to.Hand!.Offset) - At(from.Hand!.Offset));
            Assert.True(moves <= MostSpeed * seconds, $"{told} after {from.Code}: {moves:0} mm in {seconds:0.00} s");
        }

        private double Stop(int s, int key) => At(key - _open[s]);

        private double At(int halfSteps) => _length * (1 - Math.Pow(2, -halfSteps / 12.0));

        private static double Wide(IEnumerable<double> stops)
        {
            var all = stops.ToList();
            return all.Count == 0 ? 0 : all.Max() - all.Min();
        }
    }
}

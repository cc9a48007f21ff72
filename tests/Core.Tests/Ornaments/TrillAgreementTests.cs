using System.Numerics;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;
using MellowStand.Core.Performance;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Ornaments;

/// <summary>What is told of a trill, what is practiced and what is played are one realisation.</summary>
public sealed class TrillAgreementTests
{
    public static TheoryData<string, string, string> Cases
    {
        get
        {
            var data = new TheoryData<string, string, string>();
            var demo = Directory.EnumerateFiles(Path.Combine(Reference.RepositoryRoot, "demo", "scores"));
            var files = Reference.Files("scores").Concat(demo);
            foreach (var file in files.Order(StringComparer.Ordinal))
                foreach (var start in new[] { "written", "upper" })
                    foreach (var end in new[] { "stop", "run-through" })
                        data.Add(file, start, end);
            return data;
        }
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public void Finding_variant_and_playing_agree(string file, string start, string end)
    {
        var score = ScoreReader.Read(Path.IsPathRooted(file) ? File.ReadAllBytes(file) : Reference.Bytes(file));
        var house = House.Default.With("trill-start", start).With("trill-end", end);
        var context = new StudyContext(score, house);
        foreach (var part in score.Parts)
        {
            var told = new Core.Study.Rules.Trill().Examine(context, part).ToDictionary(f => f.Notes[0]);
            foreach (var note in part.Notes.Where(n => n.Has("trill-mark") && !Rolls.Is(part, n) && !n.IsTieContinuation && !n.IsCue))
                Agree(context, part, note, told[note.Id]);
        }
    }

    private static void Agree(StudyContext context, Part part, Note note, Finding told)
    {
        var shape = TrillShape.Of(context.Score, part, note, context.House)!;
        Assert.Contains($"{shape.Main.Name}–{shape.Upper.Name}", told.Title, StringComparison.Ordinal);
        Assert.Contains(shape.FromAbove ? "above" : $"Begin on {shape.Main.Name}", told.Why, StringComparison.Ordinal);
        Assert.Equal(shape.End == TrillEnd.RunsThrough, told.Why.Contains("run through", StringComparison.Ordinal));
        var played = Played(context, part, note);
        var upper = note.TopSounding!.Value + shape.Upper.Midi - shape.Main.Midi;
        Assert.Equal(shape.FromAbove ? upper : note.TopSounding, played[0]);
        Assert.Equal(upper, played[shape.FromAbove ? 0 : 1]);
        Assert.Equal(note.TopSounding, played[^1]);
        var counted = shape.Counted(IsWritten);
        Assert.Equal(shape.FromAbove ? shape.Upper : shape.Main, counted[0].Pitch);
        Assert.Equal(shape.Main, counted[^1].Pitch);
        Assert.True(counted.Count >= 2, $"{note.Id} is not written out");
        Assert.Equal(shape.Length, counted.Aggregate(Fraction.Zero, (sum, s) => sum + s.Length));
    }

    // Lengths that one note value has, with two dots at most.
    private static bool IsWritten(Fraction length) =>
        new[] { new Fraction(1), new(3, 2), new(7, 4) }.Any(dots =>
        {
            var plain = length / dots;
            return (plain.Numerator == 1 || plain.Denominator == 1) && BitOperations.IsPow2(plain.Numerator * plain.Denominator);
        });

    private static List<int> Played(StudyContext context, Part part, Note note)
    {
        var tempo = context.Tempo;
        var mark = new TempoMark(BeatUnit.Quarter, tempo.QuarterBpmAt(note.MeasureIndex));
        var range = new Performer(context.Score, tempo, context.House, context.LevelsOf).Perform(
            new PerformanceRequest([part.Id], note.MeasureIndex, note.MeasureIndex, mark)
        );
        return [.. range.Notes.Where(n => n.Id == note.Id).OrderBy(n => n.From).Select(n => n.Midi)];
    }
}

using MellowStand.Core.Auditions;
using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Layers;

namespace MellowStand.Core.Tests.Auditions;

/// <summary>Matters that come up in many etudes: where, and what the answer writes. Common practice, no published source.</summary>
public class MatterTests
{
    private const string Plain = "part \"Flute\"\nmeter:4/4 tempo:q=80 | ";

    [Theory]
    [InlineData("no-dynamics", "C5q D5q E5q F5q | G5w", 1, "nothing printed")]
    [InlineData("no-dynamics", "!p C5q D5q E5q F5q | G5w", 0, "a level is printed")]
    [InlineData("staccato", "C5q(.) D5q(.) E5q F5q(.) | G5w", 1, "one line a part, however many dots")]
    [InlineData("staccato", "C5q(.)[ D5q(.)] E5q F5q | G5w", 0, "dots under a slur are another matter")]
    [InlineData("portato", "C5q(.)[ D5q(.)] E5q F5q | G5w", 1, "")]
    [InlineData("trill-start", "C5h(tr) D5h(tr) | G5w", 2, "each trill")]
    [InlineData("graces", "g:B4 C5h g:C5 g:B4 D5h | G5w", 2, "one for each group")]
    [InlineData("two-slurs", "C5q[[ D5q] E5q F5q] | G5w", 1, "two beats inside four")]
    [InlineData("two-slurs", "C5q[ D5q] E5q[ F5q] | G5w", 0, "one after the other")]
    [InlineData("vibrato", "\"senza vib.\" C5q D5q E5q F5q | G5w", 1, "")]
    [InlineData("vibrato", "\"dolce\" C5q D5q E5q F5q | G5w", 0, "")]
    public void A_matter_finds_its_places(string matter, string music, int places, string _) =>
        Assert.Equal(places, Places(Layer(Plain + music), matter).Count);

    [Fact]
    public void Missing_breaths_stand_where_a_breath_ends()
    {
        var layer = Layer("part \"Flute\"\nmeter:4/4 tempo:q=60 | " + string.Join(" | ", Enumerable.Repeat("C5h D5h", 12)));
        Assert.NotEmpty(Places(layer, "breaths"));
        Assert.Empty(
            Places(Layer("part \"Violin\"\nmeter:4/4 tempo:q=60 | " + string.Join(" | ", Enumerable.Repeat("C5h D5h", 12))), "breaths")
        );
    }

    [Theory]
    [InlineData("no-dynamics", "f", "C5q D5q | G5h", "!f C5q D5q | G5h")]
    [InlineData("two-slurs", "longer", "C5e[[ D5e] E5e F5e] | G5h", "C5e[ D5e E5e F5e] | G5h")]
    [InlineData("two-slurs", "shorter", "C5e[[ D5e] E5e F5e] | G5h", "C5e[ D5e] E5e F5e | G5h")]
    [InlineData("two-slurs", "shorter", "C5e[[ D5e] E5e[ F5e]] | G5h", "C5e[ D5e] E5e[ F5e] | G5h")]
    [InlineData("two-slurs", "longer", "C5e[[ D5e] E5e[ F5e]] | G5h", "C5e[ D5e E5e F5e] | G5h")]
    public void An_answer_is_written_in(string matter, string answer, string before, string after)
    {
        var layer = Layer("part \"Flute\"\nmeter:2/4 | " + before);
        Assert.Equal(Marks(Layer("part \"Flute\"\nmeter:2/4 | " + after)), Marks(Decided(layer, matter, answer)));
    }

    [Fact]
    public void A_written_level_is_no_matter_any_more()
    {
        var layer = Layer(Plain + "C5q D5q E5q F5q | G5w");
        Assert.Empty(Places(Decided(layer, "no-dynamics", "proposed"), "no-dynamics"));
    }

    [Fact]
    public void Every_answer_of_every_matter_can_be_written()
    {
        const string All =
            "part \"Flute\"\nmeter:4/4 tempo:q=50 | \"con vibrato\" C5q(.) D5q(.)[ E5q(.)] g:B4 F5q(tr) "
            + "| C5q[[ D5q] E5q F5q] | C5w | C5w | C5w | C5w | C5w";
        var layer = Layer(All);
        foreach (var matter in MatterTable.All)
        {
            Assert.True(Places(layer, matter.Name).Count > 0, matter.Name);
            Assert.True(matter.Answers.Count > 1, matter.Name);
            foreach (var answer in matter.Answers)
                Decided(layer, matter.Name, answer.Name).TryOut([]);
        }
    }

    [Fact]
    public void What_is_only_told_changes_no_note()
    {
        var layer = Layer(Plain + "C5h(tr) D5h(tr) | G5w");
        var decided = Decided(layer, "trill-start", "upper");
        Assert.Equal(Marks(layer), Marks(decided));
        Assert.Equal(2, decided.Changes.Count(c => c.Added.Any(a => a.Name == "remark")));
    }

    private static IReadOnlyList<MatterPlace> Places(Layer layer, string matter) =>
        [.. layer.Current.Parts.SelectMany(p => MatterTable.Find(matter)!.Places(layer, p))];

    private static Layer Decided(Layer layer, string matter, string answer)
    {
        var said = MatterTable.Find(matter)!.Find(answer)!;
        var drafts = layer.Current.Parts.SelectMany(p => MatterTable.Find(matter)!.Changes(layer, p, said));
        var decisions = drafts.Select((c, i) => new Decision(i + 1, 1, new DecisionDraft(null, Verdict.Free, null, "set", [c]), "T", ""));
        var next = Core.Layers.Layer.Of(layer.Edition, layer.Knowledge, [.. decisions], layer);
        next.TryOut(next.Decisions);
        return next;
    }

    private static string Marks(Layer layer) =>
        string.Join('\n', layer.Current.Parts[0].Slurs.Select(s => $"{s.From.Top}-{s.To.Top}"))
        + string.Join('\n', layer.Current.Parts[0].Directions.Select(d => $"{d.Kind} {d.Text} {d.Onset}"));

    private static Layer Layer(string text)
    {
        var edition = Edition.Read(ScoreExport.Serialize(ShortFormReader.Document(text)));
        var none = new Dictionary<string, string>();
        return Core.Layers.Layer.Of(edition, new Knowledge(edition.Printed, School.None, none, none), []);
    }
}

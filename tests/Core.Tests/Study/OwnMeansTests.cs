using System.Text.RegularExpressions;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>A sentence names the means of the instrument that reads it: no tongue for a violin, no bow for a trumpet.</summary>
public sealed partial class OwnMeansTests
{
    // As many traps as fit: leaps, slurs, dots under slurs, soft entries, graces, a trill, off-beat entries and accents, signs, long lines.
    private const string Traps =
        "key:F tempo:q=100 | !p C5q[ E5q G5q Bb5q | A5h. G5q] | C4q C6q C4h | D5q(.)[ D5q(.) E5q(.) E5q(.)] | G5h(tr) A5h | g:D5 C5h E5h "
        + "| rw | rw | rw | re C5e(>) D5q(>) rq Bb4q | re C5e re C5e re D5e re D5e | re C5e re C5e re D5e re D5e | F#5q G5q F#5q G5q "
        + "| !pp A5w | rw | rw | !pp C4w | Bb4e[ C5e] D5e[ E5e] F5e[ G5e] A5e[ G5e] | !f F5q[ A5q C6q A5q | F5q D5q Bb4q D5q "
        + "| C5q E5q G5q E5q | F5q A5q C6q A5q | F5w]";

    private static readonly Dictionary<Family, Regex> Foreign = new()
    {
        [Family.Strings] = Blown(),
        [Family.Percussion] = Blown(),
        [Family.Keyboard] = Blown(),
        [Family.Woodwind] = Bowed(),
        [Family.Brass] = Bowed(),
        [Family.Voice] = Sung(),
    };

    public static TheoryData<string> Instruments => [.. Catalog.All.Where(i => Foreign.ContainsKey(i.Family)).Select(i => i.Id)];

    [Theory]
    [MemberData(nameof(Instruments))]
    public void No_sentence_speaks_of_anothers_means(string id)
    {
        var instrument = Catalog.Find(id)!;
        var score = ShortFormReader.Score($"part \"Any\"\n{Traps}");
        var context = new StudyContext(score, House.Default, _ => instrument);
        var findings = StudyDesk.Examine(context, score.Parts, 0, int.MaxValue);
        Assert.True(findings.Count > 5);
        Assert.All(findings, f => Assert.DoesNotMatch(Foreign[instrument.Family], $"{f.Title} {f.Why}"));
    }

    [Theory]
    [InlineData("Alto", "G2", Family.Voice)]
    [InlineData("Alto 2", "G2", Family.Voice)]
    [InlineData("Alto", "C3", Family.Strings)]
    [InlineData("Mezzo", "G2", Family.Voice)]
    [InlineData("Alto Saxophone", "G2", Family.Woodwind)]
    public void A_name_that_a_choir_shares_is_a_voice_by_its_clef(string name, string clef, Family family)
    {
        var score = ShortFormReader.Score($"part \"{name}\" clef:{clef}\n| C4w");
        Assert.Equal(family, Recognition.Of(score.Parts[0]).Instrument?.Family);
    }

    [GeneratedRegex(@"\b(tongue\w*|breath\w*|lips?|embouchure)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Blown();

    [GeneratedRegex(@"\b(bow|bows|bowed|strings?|sticks?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Bowed();

    [GeneratedRegex(@"\b(tongue\w*|bow|bows|valves?|sticks?|keys? down)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Sung();
}

using System.Collections.Concurrent;
using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Tests.Unify.Band;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Unify;

/// <summary>Doublings made from the reference scores (tests/reference) over transpositions, with disagreements planted by a known seed:
/// what is found, and what is found beside it.</summary>
public sealed class PlantingTests
{
    private static readonly ConcurrentDictionary<string, HashSet<string>> KnownOf = new();

    [Theory]
    [MemberData(nameof(Reference.Scores), MemberType = typeof(Reference))]
    public void Pure_doublings_disagree_nowhere(string file)
    {
        var (document, _) = Doubling.Of(file);
        // Two different parts of an edition may well disagree where they meet; a part and its own doublings may not.
        Assert.Empty(
            Found(document)
                .Where(d => d.Readings.GroupBy(r => Family(r.Part)).Any(g => g.Select(r => r.Has).Distinct().Count() > 1))
                .Select(d => $"{d.Kind} {d.From} {string.Join('/', d.Readings.Select(r => r.Part + ":" + r.Has))}")
                .Take(5)
        );
    }

    // The first seed was looked at while the rules were built; the second was not.
    [Theory]
    [InlineData(60212)]
    [InlineData(91823)]
    public void What_is_planted_is_found_and_little_else(int seed)
    {
        var random = new Random(seed);
        var (planted, found, reported, right) = (0, 0, 0, 0);
        var missed = new List<string>();
        var extra = new List<string>();
        for (var round = 0; round < 12; round++)
        {
            foreach (var file in Reference.Files("scores"))
            {
                var (document, parts) = Doubling.Of(file);
                var before = Known(file, document);
                var plants = Enumerable
                    .Range(0, 6)
                    .Select(_ => Planter.Plant(random, parts))
                    .OfType<Planted>()
                    .DistinctBy(p => (p.Kind, p.Measure, Family(p.Part)))
                    .ToList();
                var differences = Found(document).Where(d => !before.Contains(Key(d)) || plants.Any(p => Matches(d, p))).ToList();
                planted += plants.Count;
                foreach (var p in plants)
                {
                    if (differences.Any(d => Matches(d, p)))
                        found++;
                    else
                        missed.Add($"{Path.GetFileName(file)} {p}");
                }

                reported += differences.Count;
                foreach (var d in differences)
                {
                    if (plants.Any(p => Matches(d, p)))
                        right++;
                    else
                        extra.Add(
                            $"{Path.GetFileName(file)} {d.Kind} {d.From}–{d.To} "
                                + $"{string.Join('/', d.Readings.Select(r => r.Part + ":" + r.Has))}"
                        );
                }
            }
        }

        var recall = (double)found / planted;
        var precision = (double)right / reported;
        TestContext.Current.TestOutputHelper!.WriteLine(
            $"seed {seed}: planted {planted}, recall {recall:0.000}, precision {precision:0.000}"
        );
        Assert.True(planted > 250, $"only {planted} planted");
        Assert.True(
            recall >= 0.97,
            $"recall {recall:0.000} of {planted}: "
                + $"{string.Join("; ", missed.GroupBy(m => m.Split(' ')[3]).Select(g => $"{g.Key} {g.Count()}"))} … "
                + $"{string.Join("; ", missed.Take(12))}"
        );
        Assert.True(precision >= 0.9, $"precision {precision:0.000} of {reported}: {string.Join("; ", extra.Take(12))}");
    }

    private static string Family(string part) => part.Split('x')[0];

    /// <summary>The harm measure: what the sure proposals write is compared with the clean doubling, note by note.</summary>
    [Theory]
    [InlineData(60212)]
    [InlineData(91823)]
    public void Accepting_the_sure_ones_brings_no_note_further_from_the_clean_print(int seed)
    {
        var random = Seeds.Random(seed);
        var (before, after, worse) = (0, 0, new List<string>());
        for (var round = 0; round < 4; round++)
        {
            foreach (var file in Reference.Files("scores"))
            {
                var (document, parts) = Doubling.Of(file);
                // What the edition itself disagrees in has no clean print to go by.
                var known = Known(file, document);
                var clean = NoteLook.All(document);
                for (var i = 0; i < 6; i++)
                    Planter.Plant(random, parts);
                var was = NoteLook.All(document);
                var sure = Found(document).Where(d => d.Proposal.Sure == Sureness.Sure && !known.Contains(Key(d))).ToList();
                new DecisionWriter(ScoreDocument.Of(document)).Apply(sure.SelectMany(d => d.Changes[d.Proposal.Mark]));
                var now = NoteLook.All(document);
                before += clean.Keys.Count(n => was[n].Unlike(clean[n]) > 0);
                after += clean.Keys.Count(n => now[n].Unlike(clean[n]) > 0);
                worse.AddRange(
                    clean
                        .Keys.Where(n => now[n].Unlike(clean[n]) > was[n].Unlike(clean[n]))
                        .Select(n => $"{file} {n} {now[n]} for {clean[n]}")
                );
            }
        }

        TestContext.Current.TestOutputHelper!.WriteLine(
            $"seed {seed}: unlike the clean print {before} before, {after} after, {worse.Count} worse"
        );
        Assert.True(before > 100, $"only {before} notes damaged");
        Assert.True(worse.Count == 0, $"{worse.Count} notes are worse: {string.Join("; ", worse.Take(6))}");
        Assert.True(after * 2 < before, $"{before} before, {after} after");
    }

    // What the edition itself disagrees in is no false alarm.
    private static string Key(Difference d) => $"{d.Kind} {d.From} {string.Join(' ', d.Readings.Select(r => Family(r.Part)).Distinct())}";

    private static bool Matches(Difference d, Planted p) =>
        d.Kind == p.Kind && d.From <= p.Measure + 1 && d.To >= p.Measure - 1 && d.Readings.Any(r => r.Part == p.Part);

    // What is found before anything is planted is the same in every round.
    private static HashSet<string> Known(string file, XDocument document) =>
        KnownOf.GetOrAdd(file, _ => [.. Found(document).Select(Key)]);

    private static List<Difference> Found(XDocument document) =>
        [.. UnifyDesk.Compare(ScoreReader.Read(ScoreDocument.Of(document)), House.Default).Differences.Where(d => !d.IsNote)];
}

using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Practice;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Practice;

/// <summary>Which ways to practice at which steps. Common practice, no published source.</summary>
public sealed class PathTests
{
    private const string Ornamented =
        "part \"Flute\"\nmeter:4/4 | g:B4e C5q D5q(tr) E5q F5q | C5s D5 E5 F5 G5 F5 E5 D5 C5 D5 E5 F5 G5q | C5w | D5w\n"
        + "part \"Oboe\"\n| E4w | E4w | E4w | F4w";

    [Fact]
    public void Ornaments_are_left_out_and_then_added()
    {
        var path = Path("add-later", 9);
        Assert.Contains("skeleton", path[..3].SelectMany(p => p.Recipes));
        Assert.DoesNotContain("skeleton", path[3..].SelectMany(p => p.Recipes));
        Assert.Contains("graces-back", path[3..6].SelectMany(p => p.Recipes));
        Assert.Contains("trills-measured", path[3..6].SelectMany(p => p.Recipes));
    }

    [Fact]
    public void Ornaments_that_are_always_in_are_never_left_out()
    {
        var all = Path("always-in", 9).SelectMany(p => p.Recipes).ToList();
        Assert.DoesNotContain("skeleton", all);
        Assert.DoesNotContain("graces-back", all);
        Assert.Contains("trills-measured", all);
    }

    [Theory]
    [InlineData("from-end", "from-the-end")]
    [InlineData("from-start", "to-the-downbeat")]
    public void Chunks_come_in_the_order_of_the_house(string order, string recipe)
    {
        var path = Path("always-in", 9, House.Default.With("chunks", order));
        Assert.Contains(recipe, path.SelectMany(p => p.Recipes));
    }

    [Fact]
    public void The_last_step_is_the_music_as_printed_with_the_others()
    {
        var path = Path("add-later", 6);
        Assert.Equal(["with-line"], path[^1].Recipes);
        Assert.All(path, p => Assert.True(p.Recipes.Count <= 3 && p.Recipes.Distinct().Count() == p.Recipes.Count));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(30)]
    public void A_path_has_an_entry_a_step(int steps) => Assert.Equal(steps, Path("add-later", steps).Count);

    [Fact]
    public void Every_recipe_has_its_place_on_some_path()
    {
        var offers = RecipeTable.All.Select(r => new Offer(r, new Suit(0.5, ""))).ToList();
        var house = House.Default;
        var used = PracticePath.Of(offers, house, 60).SelectMany(p => p.Recipes).ToHashSet();
        Assert.Empty(RecipeTable.All.Select(r => r.Name).Except(used));
    }

    [Fact]
    public void The_rhythm_alone_comes_first_and_once()
    {
        var path = PathOf(House.Default, 9);
        Assert.Equal("rhythm-only", path[0].Recipes[0]);
        Assert.DoesNotContain("rhythm-only", path.Skip(1).SelectMany(p => p.Recipes));
        Assert.All(path, p => Assert.InRange(p.Recipes.Count, 0, 3));
    }

    private static IReadOnlyList<PathStep> PathOf(House house, int steps)
    {
        var score = ShortFormReader.Score(Ornamented);
        var study = new StudyContext(score, house);
        return PracticePath.Of(RecipeTable.For(new Passage(study, score.Parts[0], 0, 3, [])), house, steps);
    }

    private static List<PathStep> Path(string ornaments, int steps, House? house = null) =>
        [.. PathOf((house ?? House.Default).With("ornaments", ornaments), steps)];
}

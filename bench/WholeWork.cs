using System.Xml.Linq;
using BenchmarkDotNet.Attributes;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Heat;
using MellowStand.Core.Unify;

namespace MellowStand.Bench;

/// <summary>Import, study and unify of 24 parts × 160 measures, as a ratio to a bare load of the same bytes.</summary>
public class WholeWork
{
    private readonly byte[] _bytes = Generated.Score(24, 160);
    private Score _score = null!;

    /// <summary>Reads once for the stations.</summary>
    [GlobalSetup]
    public void Read() => _score = ScoreReader.Read(_bytes);

    /// <summary>The yardstick.</summary>
    [Benchmark(Baseline = true, Description = "XDocument.Load")]
    public XDocument Bare() => XDocument.Load(new MemoryStream(_bytes));

    /// <summary>From bytes to a score.</summary>
    [Benchmark(Description = "import")]
    public Score Import() => ScoreReader.Read(_bytes);

    /// <summary>All findings and the heat.</summary>
    [Benchmark(Description = "study")]
    public int Study() => Work.Study(_score);

    /// <summary>Lines and differences.</summary>
    [Benchmark(Description = "unify")]
    public int Unify() => Work.Unify(_score);

    /// <summary>All three.</summary>
    [Benchmark(Description = "import + study + unify")]
    public int All()
    {
        var score = ScoreReader.Read(_bytes);
        return Work.Study(score) + Work.Unify(score);
    }
}

/// <summary>Ten times the measures, as a ratio to once.</summary>
public class Growth
{
    private readonly byte[] _once = Generated.Score(24, 160);
    private readonly byte[] _tenfold = Generated.Score(24, 1600);

    /// <summary>24 × 160.</summary>
    [Benchmark(Baseline = true, Description = "24 x 160")]
    public int Once() => Work.All(_once);

    /// <summary>24 × 1600.</summary>
    [Benchmark(Description = "24 x 1600")]
    public int Tenfold() => Work.All(_tenfold);
}

/// <summary>Reading ten times the measures, as a ratio to once.</summary>
public class ReadingGrowth
{
    private readonly byte[] _once = Generated.Score(24, 160);
    private readonly byte[] _tenfold = Generated.Score(24, 1600);

    /// <summary>24 × 160.</summary>
    [Benchmark(Baseline = true, Description = "read 24 x 160")]
    public Score Once() => ScoreReader.Read(_once);

    /// <summary>24 × 1600.</summary>
    [Benchmark(Description = "read 24 x 1600")]
    public Score Tenfold() => ScoreReader.Read(_tenfold);
}

internal static class Work
{
    public static int All(byte[] bytes)
    {
        var score = ScoreReader.Read(bytes);
        return Study(score) + Unify(score);
    }

    public static int Study(Score score)
    {
        var context = new StudyContext(score, House.Default);
        return HeatMap.Of(context, StudyDesk.Examine(context, score.Parts, 0, int.MaxValue)).Cells.Count;
    }

    public static int Unify(Score score) => UnifyDesk.Compare(score, House.Default).Differences.Count;
}

using BenchmarkDotNet.Columns;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Diagnosers;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Loggers;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using MellowStand.Bench;

// Speed claims are ratios within one run on one machine, never times: ./stand bench
if (args.Contains("quick"))
{
    OtherReader.Compare();
    HandsOfAPart.Compare();
    return;
}

if (args.Contains("desk"))
{
    DeskWork.Compare();
    return;
}

if (args.Contains("plan"))
{
    PlanOfASeason.Compare();
    return;
}

if (args.Contains("extremes"))
{
    ExtremeFiles.Measure();
    return;
}

if (args.Contains("hands"))
{
    HandsOfAPart.Compare();
    return;
}

var config = ManualConfig
    .CreateEmpty()
    .AddJob(
        Job.Default.WithToolchain(InProcessEmitToolchain.Instance)
            .WithWarmupCount(2)
            .WithIterationCount(8)
            .WithInvocationCount(2)
            .WithUnrollFactor(1)
    )
    .AddDiagnoser(MemoryDiagnoser.Default)
    .AddColumnProvider(DefaultColumnProviders.Instance)
    .AddLogger(ConsoleLogger.Default);

foreach (
    var summary in new[]
    {
        BenchmarkRunner.Run<WholeWork>(config),
        BenchmarkRunner.Run<ReadingGrowth>(config),
        BenchmarkRunner.Run<Growth>(config),
    }
)
{
    var baseline = summary.Reports.Single(r => summary.IsBaseline(r.BenchmarkCase)).ResultStatistics!.Median;
    Console.WriteLine();
    foreach (var report in summary.Reports.Where(r => !summary.IsBaseline(r.BenchmarkCase)))
        Console.WriteLine(
            $"ratio {report.BenchmarkCase.Descriptor.WorkloadMethodDisplayInfo}: {report.ResultStatistics!.Median / baseline:0.00}"
        );
}

Console.WriteLine();
OtherReader.Compare();
HandsOfAPart.Compare();

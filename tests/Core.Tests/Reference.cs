using System.Runtime.CompilerServices;

namespace MellowStand.Core.Tests;

/// <summary>The reference scores and facts under tests/reference; sources and licences are in its README.</summary>
public static class Reference
{
    public static string Root => Path.Combine(RepositoryRoot, "tests", "reference");

    public static byte[] Bytes(string file) => File.ReadAllBytes(Path.Combine(Root, file));

    public static IEnumerable<string> Files(string folder) =>
        Directory.EnumerateFiles(Path.Combine(Root, folder)).Select(f => folder + "/" + Path.GetFileName(f)).Order(StringComparer.Ordinal);

    public static TheoryData<string> Scores => [.. Files("scores")];

    public static TheoryData<string> Suite => [.. Files("suite")];

    public static TheoryData<string> All => [.. Files("scores"), .. Files("suite")];

    public static string RepositoryRoot { get; } = FindRoot();

    private static string FindRoot([CallerFilePath] string here = "") =>
        Path.GetFullPath(Path.Combine(Path.GetDirectoryName(here)!, "..", ".."));
}

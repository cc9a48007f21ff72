namespace MellowStand.Server.Tests;

/// <summary>The server's house plan, held by the sources.</summary>
public sealed class ArchitectureTests
{
    private static readonly string Root = FindRoot();

    [Fact]
    public void Services_do_not_know_endpoints() =>
        Assert.Empty(Mentions("src/MellowStand.Server/Services", "MellowStand.Server.Endpoints"));

    [Fact]
    public void Storage_does_not_know_the_server() => Assert.Empty(Mentions("src/MellowStand.Storage", "MellowStand.Server"));

    [Fact]
    public void Decisions_are_kept_through_one_use_case()
    {
        // The repository's own methods are called by the use case and by nobody else.
        var callers = Sources("src/MellowStand.Server")
            .Where(f => File.ReadAllText(f).Contains("DecisionRepository", StringComparison.Ordinal));
        Assert.Equal(["Decide.cs", "StandApp.cs"], callers.Select(f => Path.GetFileName(f)!).Order(StringComparer.Ordinal));
    }

    private static IEnumerable<string> Mentions(string folder, string name) =>
        Sources(folder).Where(f => File.ReadAllText(f).Contains(name, StringComparison.Ordinal));

    private static IEnumerable<string> Sources(string folder) =>
        Directory
            .EnumerateFiles(Path.Combine(Root, folder), "*.cs", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("/bin/", StringComparison.Ordinal));

    private static string FindRoot()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "MellowStand.slnx")))
            folder = folder.Parent!;
        return folder.FullName;
    }
}

using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace MellowStand.Core.Tests;

/// <summary>What a reader may count on in every source file.</summary>
public sealed class LayoutTests
{
    private const int Widest = 140;
    private const int MostFiles = 16;

    private static readonly string[] Kinds = [".cs", ".ts", ".vue", ".mjs", ".mts", ".sql"];

    private static readonly string[] NotOurs = ["/obj/", "/bin/", "/node_modules/", "/dist/", "/tests/reference/", "schema.d.ts"];

    private static readonly Lazy<List<(string File, SyntaxNode Root)>> Roots = new(() =>
        [
            .. Sources()
                .Where(f => f.EndsWith(".cs", StringComparison.Ordinal))
                .Select(f => (f, CSharpSyntaxTree.ParseText(File.ReadAllText(f)).GetRoot())),
        ]
    );

    [Fact]
    public void No_line_is_wider_than_140_columns() =>
        Assert.Empty(
            Sources()
                .SelectMany(f => File.ReadLines(f).Select((line, i) => (line, At: $"{f}:{i + 1}")))
                .Where(x => x.line.Length > Widest)
                .Select(x => x.At)
        );

    [Fact]
    public void No_ternary_stands_inside_another()
    {
        var nested = Places<ConditionalExpressionSyntax>(IsBranch);
        Assert.Empty(nested);
    }

    // The two rules of style that .editorconfig asks for; asking the compiler made the core's compiling half as long again.
    [Fact]
    public void A_namespace_is_that_of_its_file() => Assert.Empty(Places<NamespaceDeclarationSyntax>(_ => true));

    [Fact]
    public void Members_are_named_without_this() =>
        Assert.Empty(Places<MemberAccessExpressionSyntax>(m => m.Expression is ThisExpressionSyntax));

    [Fact]
    public void A_folder_is_parted_by_what_its_files_do_before_it_is_long()
    {
        var long_ = Sources()
            .Where(f => f.Contains("/src/", StringComparison.Ordinal))
            .GroupBy(f => Path.GetDirectoryName(f)!)
            .Where(g => g.Count() > MostFiles)
            .Select(g => $"{g.Key}: {g.Count()} files");
        Assert.Empty(long_);
    }

    private static IEnumerable<string> Places<T>(Func<T, bool> isMeant)
        where T : SyntaxNode =>
        from source in Roots.Value
        from node in source.Root.DescendantNodes().OfType<T>()
        where isMeant(node)
        select $"{source.File}:{node.GetLocation().GetLineSpan().StartLinePosition.Line + 1}";

    // A branch of another ternary, whatever brackets stand around it; one inside a text or a call of a branch is its own matter.
    private static bool IsBranch(ConditionalExpressionSyntax inner)
    {
        SyntaxNode child = inner;
        while (child.Parent is ParenthesizedExpressionSyntax bracket)
            child = bracket;
        return child.Parent is ConditionalExpressionSyntax outer && (outer.WhenTrue == child || outer.WhenFalse == child);
    }

    private static IEnumerable<string> Sources() =>
        new[] { "src", "tests", "bench", "demo/Compose", "web/src" }
            .SelectMany(folder =>
                Directory.EnumerateFiles(Path.Combine(Reference.RepositoryRoot, folder), "*", SearchOption.AllDirectories)
            )
            .Where(f => Kinds.Contains(Path.GetExtension(f)) && !NotOurs.Any(n => f.Contains(n, StringComparison.Ordinal)))
            .Order(StringComparer.Ordinal);
}

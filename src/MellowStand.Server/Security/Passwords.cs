using System.Reflection;

namespace MellowStand.Server.Security;

/// <summary>Which passwords do.</summary>
/// <remarks>Length before composition, and a list of those in common use: NIST SP 800-63B, section 5.1.1.2. The list is from
/// memory.</remarks>
public static class Passwords
{
    private const int Least = 10;
    private const int Most = 200;
    private const int LeastDifferent = 5;

    private static readonly Lazy<HashSet<string>> Common = new(() => new(Lines(), StringComparer.OrdinalIgnoreCase));

    /// <summary>Says why a password does not do, or null.</summary>
    /// <param name="password">The password.</param>
    /// <param name="name">The name it is for.</param>
    public static string? Problem(string password, string name)
    {
        if (password.Length is < Least or > Most || string.IsNullOrWhiteSpace(password))
            return $"Choose a password of at least {Least} characters (at most {Most}) that are not all blanks.";
        if (password.Distinct().Count() < LeastDifferent)
            return $"Choose a password with at least {LeastDifferent} different characters.";
        if (Common.Value.Contains(password.Trim()))
            return "This password is one of those that are tried first. Choose another one, e.g. four words that do not belong together.";
        return name.Length > 0 && password.Trim().Equals(name.Trim(), StringComparison.OrdinalIgnoreCase)
            ? "The password is your name. Choose another one."
            : null;
    }

    private static IEnumerable<string> Lines()
    {
        using var stream = Assembly.GetExecutingAssembly().GetManifestResourceStream("common-passwords.txt")!;
        using var reader = new StreamReader(stream);
        while (reader.ReadLine() is { } line)
            if (line.Length > 0)
                yield return line;
    }
}

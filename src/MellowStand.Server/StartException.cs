namespace MellowStand.Server;

/// <summary>The program cannot start or do what its arguments ask; the message is a sentence for whoever started it.</summary>
#pragma warning disable CA1032 // It always has an exit code and a sentence.
public sealed class StartException(int exitCode, string sentence, Exception? cause = null) : Exception(sentence, cause)
#pragma warning restore CA1032
{
    /// <summary>Exit code where it cannot be done: the folder, the port, the file.</summary>
    public const int CannotDo = 1;

    /// <summary>Exit code of an argument that makes no sense.</summary>
    public const int BadOption = 2;

    /// <summary>What the program ends with.</summary>
    public int ExitCode => exitCode;
}

using System.Diagnostics.CodeAnalysis;
using System.Net.Sockets;
using MellowStand.Server;
using MellowStand.Storage.Keeping;

// Backing up and putting back need no server; all that keeps the program from its work is told in one sentence.
try
{
    var settings = new ConfigurationBuilder().AddCommandLine(args).Build();
    if (settings["backup"] is { } target)
    {
        Backup.Make(ServerOptions.From(settings).Data, target);
        Console.WriteLine($"Backed up to {Path.GetFullPath(target)}");
        return 0;
    }

    if (settings["restore"] is { } file)
    {
        var kept = Backup.PutBack(file, ServerOptions.From(settings).Data, TimeProvider.System.GetLocalNow());
        Console.WriteLine($"{Path.GetFullPath(file)} is put back.{(kept is null ? "" : $" What was there is kept in {kept}")}");
        return 0;
    }

    var app = ServerApp.Build(args);
    await app.RunAsync();
    return 0;
}
catch (StartException e)
{
    return Ended(e.ExitCode, e.Message);
}
catch (KeepingException e)
{
    return Ended(StartException.CannotDo, e.Message);
}
catch (IOException e) when (e.InnerException is Microsoft.AspNetCore.Connections.AddressInUseException or SocketException)
{
    return Ended(StartException.CannotDo, $"The port is taken ({e.Message.TrimEnd('.')}). Choose another one with --port N.");
}

static int Ended(int code, string sentence)
{
    Console.Error.WriteLine(sentence);
    return code;
}

/// <summary>The program.</summary>
[SuppressMessage("Design", "CA1050", Justification = "The program's own class, named so by the language.")]
public partial class Program;

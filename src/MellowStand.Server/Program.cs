using MellowStand.Server;
using MellowStand.Storage;

// A backup is a whole copy of the database, taken while it may be in use; restoring is putting the file back.
var settings = new ConfigurationBuilder().AddCommandLine(args).Build();
if (settings["backup"] is { } target)
{
    new Database(Path.Combine(StandOptions.From(settings).Data, "stand.db")).BackUp(Path.GetFullPath(target));
    Console.WriteLine($"Backed up to {target}");
    return;
}

var app = StandApp.Build(args);
await app.RunAsync();

using MellowStand.Server;

var app = StandApp.Build(args);
await app.RunAsync();

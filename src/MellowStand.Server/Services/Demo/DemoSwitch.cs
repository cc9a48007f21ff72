namespace MellowStand.Server.Services;

/// <summary>Whether the demo brings its school along; tests of the demo's sign-in do without.</summary>
public sealed record DemoSwitch(bool WithSchool);

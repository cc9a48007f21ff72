using MellowStand.Core.HouseRules;
using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>The director's account.</summary>
public sealed record DirectorRow(string Name, string PasswordHash);

/// <summary>House rules and the director's account.</summary>
public sealed class HouseRepository(Database database)
{
    private readonly Slice<House> _house = new(database, RestsOn.School, House);
    private readonly Slice<Dictionary<string, string>> _learned = new(database, RestsOn.School, LearnedInstruments);

    /// <summary>The answers chosen so far.</summary>
    public House House() => _house.Now();

    /// <summary>How often each answer was chosen; a rule that never was is left out.</summary>
    public IReadOnlyDictionary<string, int> Versions() =>
        database.Look(c => c.Read("SELECT name, version FROM house_rule", r => (r.Text("name"), r.Int("version")))
            .ToDictionary(x => x.Item1, x => x.Item2));

    /// <summary>Chooses an answer.</summary>
    /// <param name="rule">The rule.</param>
    /// <param name="choice">The answer.</param>
    /// <param name="version">The version that was seen, or null to choose whatever others did.</param>
    public Change Choose(string rule, string choice, int? version) =>
        database.Act(c =>
        {
            var there = c.Read("SELECT version FROM house_rule WHERE name = $rule", r => r.Int("version"), ("rule", rule)).FirstOrDefault();
            if (version is { } seen && seen != there)
                return Change.Stale;
            c.Run(
                "INSERT INTO house_rule (name, choice, version) VALUES ($rule, $choice, 1) "
                    + "ON CONFLICT (name) DO UPDATE SET choice = $choice, version = version + 1",
                ("rule", rule),
                ("choice", choice)
            );
            return Change.Kept;
        });

    /// <summary>Instruments that the director corrected: printed name and transposition to instrument id.</summary>
    public IReadOnlyDictionary<string, string> LearnedInstruments() => _learned.Now();

    /// <summary>The director, or null before the first run is done.</summary>
    public DirectorRow? Director() =>
        database.Look(c =>
            c.One("SELECT name, password_hash FROM director", r => new DirectorRow(r.Text("name"), r.Text("password_hash")))
        );

    /// <summary>Makes the director's account.</summary>
    /// <returns>False when there is one already.</returns>
    public bool MakeDirector(string name, string hash, DateTimeOffset now) =>
        database.Act(c =>
            c.Run(
                "INSERT INTO director (id, name, password_hash, created) VALUES (1, $name, $hash, $now) ON CONFLICT DO NOTHING",
                ("name", name),
                ("hash", hash),
                ("now", now.Iso())
            )
        ) > 0;

    internal static House House(SqliteConnection c) =>
        new(
            c.Read("SELECT name, choice FROM house_rule", r => (Name: r.Text("name"), Choice: r.Text("choice")))
                .ToDictionary(x => x.Name, x => x.Choice)
        );

    internal static Dictionary<string, string> LearnedInstruments(SqliteConnection c) =>
        c.Read("SELECT name, instrument FROM learned_instrument", r => (r.Text("name"), r.Text("instrument")))
            .ToDictionary(x => x.Item1, x => x.Item2);

    /// <summary>Remembers a correction for the next file.</summary>
    internal static int Learn(SqliteConnection c, string name, string instrument) =>
        c.Run(
            "INSERT INTO learned_instrument (name, instrument) VALUES ($name, $instrument) ON CONFLICT (name) DO UPDATE SET "
                + "instrument = $instrument",
            ("name", name),
            ("instrument", instrument)
        );
}

using MellowStand.Core.HouseRules;

namespace MellowStand.Storage;

/// <summary>The director's account.</summary>
public sealed record DirectorRow(string Name, string PasswordHash);

/// <summary>House rules and the director's account.</summary>
public sealed class HouseRepository(Database database)
{
    /// <summary>The answers chosen so far.</summary>
    public House House()
    {
        using var c = database.Open();
        return new House(
            c.Read("SELECT name, choice FROM house_rule", r => (r.GetString(0), r.GetString(1))).ToDictionary(x => x.Item1, x => x.Item2)
        );
    }

    /// <summary>Chooses an answer.</summary>
    public void Choose(string rule, string choice) =>
        database.Act(c =>
            c.Run(
                "INSERT INTO house_rule (name, choice) VALUES ($rule, $choice) ON CONFLICT (name) DO UPDATE SET choice = $choice",
                ("rule", rule),
                ("choice", choice)
            )
        );

    /// <summary>Instruments that the director corrected: printed name and transposition to instrument id.</summary>
    public IReadOnlyDictionary<string, string> LearnedInstruments()
    {
        using var c = database.Open();
        return c.Read("SELECT name, instrument FROM learned_instrument", r => (r.GetString(0), r.GetString(1)))
            .ToDictionary(x => x.Item1, x => x.Item2);
    }

    /// <summary>Remembers a correction for the next file.</summary>
    public void Learn(string name, string instrument) =>
        database.Act(c =>
            c.Run(
                "INSERT INTO learned_instrument (name, instrument) VALUES ($name, $instrument) ON CONFLICT (name) DO UPDATE SET "
                    + "instrument = $instrument",
                ("name", name),
                ("instrument", instrument)
            )
        );

    /// <summary>The director, or null before the first run is done.</summary>
    public DirectorRow? Director()
    {
        using var c = database.Open();
        return c.Read("SELECT name, password_hash FROM director", r => new DirectorRow(r.GetString(0), r.GetString(1))).FirstOrDefault();
    }

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
}

namespace MellowStand.Storage;

/// <summary>Who is signed in. Only hashes of tokens are stored: who reads the file cannot sign in with them.</summary>
public sealed class SessionRepository(Database database)
{
    /// <summary>Keeps a session; those begun before a day are forgotten.</summary>
    /// <param name="tokenHash">Hash of its token.</param>
    /// <param name="name">Who signed in.</param>
    /// <param name="now">The moment.</param>
    /// <param name="oldest">Sessions begun before are over.</param>
    public void Begin(string tokenHash, string name, DateTimeOffset now, DateTimeOffset oldest) =>
        database.Act(c =>
        {
            c.Run("DELETE FROM session WHERE begun < $oldest", ("oldest", oldest.Iso()));
            return c.Run(
                "INSERT INTO session (token, name, begun) VALUES ($token, $name, $now)",
                ("token", tokenHash),
                ("name", name),
                ("now", now.Iso())
            );
        });

    /// <summary>Which school's data these are: the same as long as they are.</summary>
    public string SchoolMark() => database.Look(c => c.Read("SELECT mark FROM school_mark", r => r.Text("mark")).Single());

    /// <summary>True while a session goes on.</summary>
    public bool GoesOn(string tokenHash, DateTimeOffset oldest) =>
        database.Look(c => c.Read(
                "SELECT 1 FROM session WHERE token = $token AND begun >= $oldest",
                r => r.Int("1"),
                ("token", tokenHash),
                ("oldest", oldest.Iso())
            ).Count > 0);

    /// <summary>Ends a session.</summary>
    public void End(string tokenHash) => database.Act(c => c.Run("DELETE FROM session WHERE token = $token", ("token", tokenHash)));

    /// <summary>Changes the director's password and ends every session.</summary>
    public void ChangePassword(string hash) =>
        database.Act(c =>
        {
            c.Run("UPDATE director SET password_hash = $hash", ("hash", hash));
            return c.Run("DELETE FROM session");
        });
}

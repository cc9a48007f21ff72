using Microsoft.Data.Sqlite;

namespace MellowStand.Storage;

/// <summary>A connection that counts what it is asked, for all connections of its database together.</summary>
internal sealed class CountedConnection(string connectionString, Action count) : SqliteConnection(connectionString)
{
    public void CountQuery() => count();
}

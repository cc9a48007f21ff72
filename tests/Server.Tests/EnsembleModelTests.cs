using MellowStand.Core.Tests;
using MellowStand.Storage;
using MellowStand.Storage.Keeping;

namespace MellowStand.Server.Tests;

/// <summary>Random acts on sections and players against a plain model in memory: after each act the store says what the model says, from
/// what it remembers and from the disk.</summary>
public sealed class EnsembleModelTests : IDisposable
{
    private static readonly DateOnly Today = new(2031, 3, 3);
    private readonly string _data = Directory.CreateTempSubdirectory("mellow-stand-model-").FullName;
    private readonly Database _database;
    private readonly EnsembleRepository _store;
    private readonly List<Section> _sections = [];
    private readonly List<Player> _players = [];

    public EnsembleModelTests()
    {
        Prepared.Lay(_data, school: false);
        _database = new Database(DataFolder.DatabaseIn(_data));
        _store = new EnsembleRepository(_database);
    }

    public void Dispose()
    {
        _database.Dispose();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(_data, recursive: true);
    }

    [Theory]
    [InlineData(3301)]
    [InlineData(3302)]
    public void The_store_says_what_a_plain_model_says(int seed)
    {
        var random = Seeds.Random(seed);
        Action<Random>[] acts = [AddSection, Rename, Close, Join, Join, Change, ChangeStale, Leave, Return, JoinMany, HalfDone];
        for (var i = 0; i < 300; i++)
        {
            acts[random.Next(acts.Length)](random);
            Compare(_store);
            if (i % 25 == 0)
                FromTheDisk();
        }

        Assert.True(_sections.Count > 10 && _players.Count > 30, $"{_sections.Count} sections, {_players.Count} players");
        Assert.Contains(_players, p => p.HasLeft);
        Assert.Contains(_sections, s => s.IsClosed);
    }

    private void AddSection(Random random)
    {
        var name = $"Section {random.Next(100_000)}";
        _sections.Add(new Section(_store.AddSection(name), name));
    }

    private void Rename(Random random)
    {
        if (Any(random, _sections) is not { } section)
            return;
        var name = $"Renamed {random.Next(100_000)}";
        var expected = section.IsClosed ? Storage.Change.Gone : Storage.Change.Kept;
        Assert.Equal(expected, _store.RenameSection(section.Id, name, section.Version));
        if (!section.IsClosed)
            (section.Name, section.Version) = (name, section.Version + 1);
    }

    // A section is closed when nobody plays in it, and only then.
    private void Close(Random random)
    {
        if (Any(random, _sections) is not { } section)
            return;
        var mayClose = !section.IsClosed && !_players.Exists(p => p.Section == section && !p.HasLeft);
        Assert.Equal(mayClose, _store.RemoveSection(section.Id, Today));
        section.IsClosed |= mayClose;
    }

    private void Join(Random random)
    {
        if (Any(random, _sections) is not { } section)
            return;
        var (name, chair) = ($"Player {random.Next(100_000)}", random.Next(1, 9));
        if (section.IsClosed)
        {
            Assert.ThrowsAny<Exception>(() => _store.AddPlayer(section.Id, name, "flute", chair, "comfortable"));
            return;
        }

        _players.Add(new Player(_store.AddPlayer(section.Id, name, "flute", chair, "comfortable"), section, name, chair));
    }

    private void Change(Random random)
    {
        if (Any(random, _players) is not { } player || Any(random, _sections.FindAll(s => !s.IsClosed)) is not { } section)
            return;
        var (name, chair) = ($"Changed {random.Next(100_000)}", random.Next(1, 9));
        var expected = player.HasLeft ? Storage.Change.Gone : Storage.Change.Kept;
        Assert.Equal(expected, _store.UpdatePlayer(Row(player) with { SectionId = section.Id, Name = name, Chair = chair }));
        if (!player.HasLeft)
            (player.Section, player.Name, player.Chair, player.Version) = (section, name, chair, player.Version + 1);
    }

    // Who saw an older version is told, and nothing is written over.
    private void ChangeStale(Random random)
    {
        if (Any(random, _players.FindAll(p => !p.HasLeft && !p.Section.IsClosed)) is not { } player)
            return;
        Assert.Equal(Storage.Change.Stale, _store.UpdatePlayer(Row(player) with { Name = "never", Version = player.Version + 1 }));
    }

    private void Leave(Random random)
    {
        if (Any(random, _players) is not { } player)
            return;
        Assert.Equal(!player.HasLeft, _store.RemovePlayer(player.Id, Today));
        player.HasLeft = true;
    }

    private void Return(Random random)
    {
        if (Any(random, _players) is not { } player)
            return;
        Assert.Equal(player.HasLeft, _store.RestorePlayer(player.Id));
        (player.HasLeft, player.Section.IsClosed) = (false, false);
    }

    // Known sections are taken by their names, whatever their capitals; the others are added.
    private void JoinMany(Random random)
    {
        var open = _sections.FindAll(s => !s.IsClosed);
        if (Any(random, open) is not { } known)
            return;
        known = open.Find(s => string.Equals(s.Name, known.Name, StringComparison.OrdinalIgnoreCase))!;
        var fresh = $"Fresh {random.Next(100_000_000)}";
        var rows = new[] { known.Name.ToUpperInvariant(), fresh, fresh }.Select((s, i) => (s, Blank with { Name = $"Many {i}" })).ToList();
        var (sections, players) = _store.AddMany(rows);
        var added = new Section(Assert.Single(sections), fresh);
        _sections.Add(added);
        _players.AddRange(players.Select((id, i) => new Player(id, i == 0 ? known : added, $"Many {i}", 1)));
    }

    // An act that falls in its middle leaves nothing.
    private void HalfDone(Random random) =>
        Assert.Throws<InvalidOperationException>(() =>
            _database.Act<int>(_ =>
            {
                var section = _store.AddSection("half");
                _store.AddPlayer(section, "half", null, 1, "comfortable");
                // Within the act what it wrote is seen.
                Assert.Contains(_store.Sections(), s => s.Id == section);
                Assert.Contains(_store.Players(), p => p.SectionId == section);
                throw new InvalidOperationException($"stopped {random.Next()}");
            })
        );

    private void Compare(EnsembleRepository store)
    {
        var sections = store.Sections().Select(s => (s.Id, s.Name, s.Version));
        Assert.Equal(_sections.Where(s => !s.IsClosed).Select(s => (s.Id, s.Name, s.Version)), sections);
        var players = store.Players().OrderBy(p => p.Id.Value).Select(p => (p.Id, p.SectionId, p.Name, p.Chair, p.Version));
        var expected = _players.Where(p => !p.HasLeft).Select(p => (p.Id, p.Section.Id, p.Name, p.Chair, p.Version));
        Assert.Equal(expected.OrderBy(p => p.Item1.Value), players);
        Assert.Equal(_players.Count, store.Everyone().Count);
        Assert.All(_players, p => Assert.Equal(p.HasLeft, store.Find(p.Id) is null));
    }

    private void FromTheDisk()
    {
        using var other = new Database(DataFolder.DatabaseIn(_data));
        Compare(new EnsembleRepository(other));
    }

    private static readonly PlayerRow Blank = new(new PlayerId(0), new SectionId(0), "", "flute", 1, "comfortable");

    private static PlayerRow Row(Player p) => Blank with { Id = p.Id, SectionId = p.Section.Id, Name = p.Name, Version = p.Version };

    private static T? Any<T>(Random random, List<T> of)
        where T : class => of.Count == 0 ? null : of[random.Next(of.Count)];

    private sealed class Section(SectionId id, string name)
    {
        public SectionId Id { get; } = id;

        public string Name { get; set; } = name;

        public int Version { get; set; }

        public bool IsClosed { get; set; }
    }

    private sealed class Player(PlayerId id, Section section, string name, int chair)
    {
        public PlayerId Id { get; } = id;

        public Section Section { get; set; } = section;

        public string Name { get; set; } = name;

        public int Chair { get; set; } = chair;

        public int Version { get; set; }

        public bool HasLeft { get; set; }
    }
}

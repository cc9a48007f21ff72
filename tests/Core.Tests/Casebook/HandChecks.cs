using System.Globalization;
using MellowStand.Core.Layers;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tests.Casebook;

/// <summary>What a case asks of hands and bows: see <see cref="CaseFile"/>.</summary>
internal static class HandChecks
{
    private delegate string Check(Hand hand, IReadOnlyList<string> words);

    private static readonly Dictionary<string, Check> Table = new()
    {
        ["choice"] = (h, w) => w.Skip(1).Any(c => Fits(h.CodeOf(w[0]), c)) ? "" : h.Told,
        ["never"] = (h, w) => w.Skip(1).Any(c => Fits(h.CodeOf(w[0]), c)) ? h.Told : "",
        ["same"] = (h, w) => w.Select(h.CodeOf).Distinct().Count() == 1 ? "" : h.Told,
        ["differ"] = (h, w) => h.CodeOf(w[0]) != h.CodeOf(w[1]) ? "" : h.Told,
        ["why"] = (h, w) => CasebookTests.Says(string.Join(' ', w.Skip(1)), h.ChoiceOf(w[0]).Why) ? "" : h.ChoiceOf(w[0]).Why,
        ["trouble"] = (h, w) => h.Troubles(w[0]).Any(t => w.Count == 1 || CasebookTests.Says(string.Join(' ', w.Skip(1)), t)) ? "" : h.Told,
        ["calm"] = (h, w) => string.Join("; ", h.Troubles(w[0])),
        ["slur"] = (h, w) => h.Plan.Slurs.Any(s => s.From == h.NoteOf(w[0]).Id && s.Kind == w[1]) ? "" : h.Told,
        ["bow"] = (h, w) => h.BowOf(w[0]) == w[1] ? "" : h.BowOf(w[0]),
    };

    /// <summary>What is not as asked; null where all is.</summary>
    public static string? Problem(Layer layer, string what, string rest)
    {
        if (!Table.TryGetValue(what, out var check))
            return $"There is no check {what}.";
        var words = rest.Split(' ').ToList();
        var part = words.FindIndex(w => w.StartsWith("part:", StringComparison.Ordinal));
        var at = part < 0 ? 0 : int.Parse(words[part][5..], CultureInfo.InvariantCulture);
        if (part >= 0)
            words.RemoveAt(part);
        var problem = check(new Hand(layer, layer.Current.Parts[at]), words);
        return problem.Length > 0 ? problem : null;
    }

    private static bool Fits(string code, string asked) => asked[0] == '/' ? CasebookTests.Says(asked, code) : code == asked;

    private sealed class Hand(Layer layer, Part part)
    {
        private readonly List<Note> _notes = [.. part.Notes.Where(n => n.Sounds)];
        private readonly Lazy<TechniquePlan> _plan = new(() =>
            TechniqueDesk.Solve(
                layer.Current,
                part,
                0,
                layer.Current.Measures.Count - 1,
                layer.Knowledge.House,
                layer.Knowledge.InstrumentOf(part.Id),
                layer.Study.Tempo.QuarterBpmAt,
                layer.Knowledge.HandsOf(part.Id)
            )!
        );

        public TechniquePlan Plan => _plan.Value;

        public string Told =>
            string.Join(' ', Plan.Solution.Choices.Select(c => c.Way.Code)) + " " + string.Join("; ", Plan.Trouble.Select(t => t.Why));

        public Note NoteOf(string number) => _notes[int.Parse(number, CultureInfo.InvariantCulture) - 1];

        public string CodeOf(string number) => ChoiceOf(number).Way.Code;

        // A tied note is held as it began.
        public Choice ChoiceOf(string number)
        {
            var at = NoteOf(number);
            return Plan.Solution.Choices.Last(c => Plan.Excerpt.Steps[c.Place].Note.Onset <= at.Onset);
        }

        public IEnumerable<string> Troubles(string range)
        {
            var ends = range.Split('-').Select(e => Math.Clamp(int.Parse(e, CultureInfo.InvariantCulture), 1, _notes.Count) - 1).ToList();
            var (from, to) = (_notes[ends[0]].MeasureIndex, _notes[ends[1]].MeasureIndex);
            return Plan.Trouble.Where(t => t.From <= to && t.To >= from).Select(t => $"{t.Why} {t.Recipe}");
        }

        public string BowOf(string number) =>
            layer.Bows.Single(b => b.Part == part.Id).Choices.First(c => c.Stroke.Notes.Contains(NoteOf(number))).Direction.ToString()
                .ToLowerInvariant();
    }
}

using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>One <c>note</c> element, its children taken in a single pass.</summary>
/// <remarks>Source: MusicXML 4.0, element "note". A score has tens of thousands of notes: each child is looked at once.</remarks>
internal sealed class NoteReader
{
    private XElement? _pitch;
    private XElement? _accidental;
    private bool _tieStart;
    private bool _tieStop;
    private bool _tieElement;

    public NoteReader(XElement e)
    {
        for (var node = e.FirstNode; node is not null; node = node.NextNode)
            if (node is XElement child)
                Take(child);
        Written = _pitch is null ? null : PitchOf(_pitch);
    }

    /// <summary>The printed pitch, or null where there is none that can be read.</summary>
    public Pitch? Written { get; }

    /// <summary>True for a rest, and for a note whose pitch cannot be read.</summary>
    public bool ReadsAsRest => IsRest || (_pitch is not null && Written is null);

    public XElement? Grace { get; private set; }

    public XElement? Duration { get; private set; }

    public XElement? Notations { get; private set; }

    public bool IsChord { get; private set; }

    public bool IsRest { get; private set; }

    public bool IsCue { get; private set; }

    public string Voice { get; private set; } = "1";

    public int Staff { get; private set; } = 1;

    public string? Type { get; private set; }

    public int Dots { get; private set; }

    public string? Beam { get; private set; }

    public List<string>? Lyrics { get; private set; }

    public (int Actual, int Normal) Tuplet { get; private set; } = (1, 1);

    /// <summary>What it sounds like; a note whose pitch cannot be read is a rest.</summary>
    public NoteKind Kind =>
        (ReadsAsRest, Written) switch
        {
            (true, _) => NoteKind.Rest,
            (_, null) => NoteKind.Unpitched,
            _ => NoteKind.Pitched,
        };

    public static string IdOf(string partId, int ordinal) => string.Create(CultureInfo.InvariantCulture, $"{partId}-n{ordinal}");

    /// <summary>Its notehead, or null for a rest.</summary>
    public NoteHead? Head(string id, Transposition transposition)
    {
        if (ReadsAsRest)
            return null;
        var accidental = Written is null ? null : Texts.Shared(_accidental?.Value.Trim());
        return new NoteHead(id, Written, Written?.Midi + transposition.Semitones, accidental, _tieStart, _tieStop);
    }

    private void Take(XElement child)
    {
        switch (child.Name.LocalName)
        {
            case "pitch":
                _pitch = child;
                break;
            case "rest":
                IsRest = true;
                break;
            case "chord":
                IsChord = true;
                break;
            case "grace":
                Grace = child;
                break;
            case "cue":
                IsCue = true;
                break;
            case "duration":
                Duration = child;
                break;
            case "voice":
                Voice = Texts.Short(Texts.Shared(child.Value.Trim())!, ScoreLimits.LettersOfName);
                break;
            case "staff":
                Staff = Math.Clamp(child.Int() ?? 1, 1, 16);
                break;
            case "type":
                Type = Texts.Short(child.Value.Trim(), ScoreLimits.LettersOfName);
                break;
            case "dot":
                Dots++;
                break;
            case "accidental":
                _accidental = child;
                break;
            case "beam" when Beam is null && child.Attribute("number")?.Value is null or "1":
                Beam = child.Value.Trim();
                break;
            case "time-modification":
                Tuplet = ReadTuplet(child);
                break;
            case "tie":
                TakeTie(child, isSound: true);
                break;
            case "notations":
                TakeNotations(child);
                break;
            case "lyric":
                TakeLyric(child);
                break;
            default:
                break;
        }
    }

    private void TakeNotations(XElement child)
    {
        Notations ??= child;
        if (_tieElement)
            return;
        for (var node = child.FirstNode; node is not null; node = node.NextNode)
            if (node is XElement { Name.LocalName: "tied" } tied)
                TakeTie(tied, isSound: false);
    }

    private void TakeLyric(XElement lyric)
    {
        var text = string.Concat(
            lyric.Elements().Where(e => e.Name.LocalName is "text" or "elision").Select(e => e.Name.LocalName == "text" ? e.Value : " ")
        );
        text = Texts.Short(text);
        if (text.Length == 0)
            return;
        var goesOn = lyric.Elements("syllabic").LastOrDefault()?.Value.Trim() is "begin" or "middle";
        (Lyrics ??= []).Add(goesOn ? text + "-" : text);
    }

    // The sounding tie wins over the drawn one.
    private void TakeTie(XElement e, bool isSound)
    {
        if (isSound && !_tieElement)
            (_tieStart, _tieStop) = (false, false);
        _tieElement |= isSound;
        var type = e.Attribute("type")?.Value;
        _tieStart |= type == "start";
        _tieStop |= type == "stop";
    }

    private static (int Actual, int Normal) ReadTuplet(XElement e) =>
        (Math.Clamp(e.Element("actual-notes").Int() ?? 1, 1, 1000), Math.Clamp(e.Element("normal-notes").Int() ?? 1, 1, 1000));

    private static Pitch? PitchOf(XElement e)
    {
        Step? step = null;
        int? octave = null;
        var alter = 0m;
        for (var node = e.FirstNode; node is not null; node = node.NextNode)
        {
            if (node is not XElement child)
                continue;
            switch (child.Name.LocalName)
            {
                case "step":
                    step ??= StepOf(child.Value);
                    break;
                case "octave":
                    octave ??= child.Int();
                    break;
                case "alter":
                    alter = child.Decimal() ?? 0;
                    break;
                default:
                    break;
            }
        }

        return step is { } s && octave is { } o ? new Pitch(s, Math.Clamp(alter, -4, 4), Math.Clamp(o, -1, 12)) : null;
    }

    private static Step? StepOf(string text)
    {
        var letter = text.AsSpan().Trim();
        var place = letter.Length == 1 ? "CDEFGAB".IndexOf(letter[0], StringComparison.Ordinal) : -1;
        return place < 0 ? null : (Step)place;
    }
}

using MellowStand.Core.Notation;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>One note, chord or rest, ties joined.</summary>
/// <param name="Id">Its address.</param>
/// <param name="Measure">Label of its measure.</param>
/// <param name="Index">Place of its measure from 0.</param>
/// <param name="Onset">Quarters from the start of the printed score, exact.</param>
/// <param name="Duration">Length in quarters, exact.</param>
/// <param name="Written">Written pitches, e.g. <c>F♯4 A4</c>; empty for a rest.</param>
/// <param name="Midi">Sounding key numbers.</param>
/// <param name="Grace">True for a grace note.</param>
/// <param name="Rest">True for a rest.</param>
/// <param name="Voice">The printed voice.</param>
/// <param name="Marks">Its marks.</param>
public sealed record NoteView(
    string Id,
    string Measure,
    int Index,
    string Onset,
    string Duration,
    string Written,
    IReadOnlyList<int> Midi,
    bool Grace,
    bool Rest,
    string Voice,
    IReadOnlyList<string> Marks
);

/// <summary>The notes of a part.</summary>
public static class NotesEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapNotes(this RouteGroupBuilder api) =>
        api.MapGet("/pieces/{id:long}/parts/{part}/notes", Notes).KeepAnswer().WithTags("Notes");

    private static Ok<IEnumerable<NoteView>> Notes(long id, string part, PieceDesk desk)
    {
        var piece = desk.Open(id);
        return TypedResults.Ok(SoundingNote.Of(piece.Part(part)).Select(n => View(piece, n)));
    }

    private static NoteView View(OpenPiece piece, SoundingNote n) =>
        new(
            n.Id,
            piece.Label(n.First.MeasureIndex),
            n.First.MeasureIndex,
            n.First.Onset.ToString(),
            n.Duration.ToString(),
            string.Join(' ', n.Heads.Select(h => h.Written).OfType<Pitch>()),
            [.. n.Heads.Select(h => h.Sounding).OfType<int>()],
            n.First.IsGrace,
            !n.First.Sounds,
            n.First.Voice,
            [.. n.Marks.Select(m => m.ToString())]
        );
}

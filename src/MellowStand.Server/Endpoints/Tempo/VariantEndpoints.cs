using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Practice;
using MellowStand.Core.Study;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A way to practice a passage.</summary>
/// <param name="Recipe">Its name.</param>
/// <param name="Title">A few words.</param>
/// <param name="Why">What it is for and why.</param>
/// <param name="Suits">What in this passage it answers.</param>
public sealed record VariantView(string Recipe, string Title, string Why, string Suits);

/// <summary>Practice variants: a passage in, legal MusicXML out, which is engraved, played, printed and handed out.</summary>
public static class VariantEndpoints
{
    private const int LongestName = 40;

    /// <summary>Maps the group.</summary>
    public static void MapVariants(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}/variants").WithTags("Practice");
        group.MapGet("", List).KeepAnswer();
        group.MapGet("/{recipe}.musicxml", Music).KeepAnswer().Produces<string>(200, ExportEndpoints.MusicXml);
        group.MapPost("/{recipe}/performance", Perform);
    }

    /// <summary>A passage of one part, with what Study found in it.</summary>
    internal static Passage PassageOf(OpenPiece piece, string? part, string? from, string? to)
    {
        var own = piece.Part(part ?? piece.Layer.Current.Parts[0].Id);
        var place = piece.Book.OfParts([own.Id], from, to);
        return PassageOf(piece, place);
    }

    /// <summary>A passage of the first part of an address.</summary>
    internal static Passage PassageOf(OpenPiece piece, Address place) =>
        new(
            piece.Layer.Study,
            piece.Part(place.Parts[0]),
            place.From.Index,
            place.To.Index,
            [.. piece.Layer.Findings.Where(f => f.Parts.Contains(place.Parts[0]) && place.Meets(f.From, f.To))],
            piece.Layer.Knowledge.HandsOf(place.Parts[0])
        );

    /// <summary>A recipe as the interface shows it.</summary>
    internal static VariantView View(Offer offer) => new(offer.Recipe.Name, offer.Recipe.Title, offer.Recipe.Why, offer.Suit.Words);

    /// <summary>The recipe with the name.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    internal static IRecipe Known(string name) =>
        RecipeTable.Find(name)
        ?? throw Refusal.NotFound(
            $"There is no recipe \"{(name.Length <= LongestName ? name : name[..LongestName] + "…")}\". Use one of "
                + $"{string.Join(", ", RecipeTable.All.Select(r => r.Name))}."
        );

    private static Ok<IEnumerable<VariantView>> List(
        long id,
        PieceDesk desk,
        string? part = null,
        string? from = null,
        string? to = null
    ) => TypedResults.Ok(RecipeTable.For(PassageOf(desk.Open(id), part, from, to)).Select(View));

    private static FileContentHttpResult Music(
        long id,
        string recipe,
        PieceDesk desk,
        string? part = null,
        string? from = null,
        string? to = null
    )
    {
        var piece = desk.Open(id);
        var music = Written(piece, recipe, PassageOf(piece, part, from, to));
        return TypedResults.File(music, ExportEndpoints.MusicXml, $"{piece.Row.Title} {recipe}.musicxml");
    }

    // The variant is music of its own: its measures are its own, and its parts are the passage's and the other line's.
    private static Ok<PerformanceView> Perform(
        long id,
        string recipe,
        PerformanceRequestView request,
        PieceDesk desk,
        string? part = null,
        string? from = null,
        string? to = null
    )
    {
        var piece = desk.Open(id);
        var score = ScoreReader.Read(Written(piece, recipe, PassageOf(piece, part, from, to)));
        var study = new StudyContext(score, piece.Layer.Knowledge.House);
        var performance = Performing.Perform(study, new AddressBook(piece.Layer.Edition.Id, score), request);
        return TypedResults.Ok(Performing.View(study, performance));
    }

    private static byte[] Written(OpenPiece piece, string name, Passage passage)
    {
        var recipe = Known(name);
        if (!RecipeTable.For(passage).Any(o => o.Recipe == recipe))
            throw Refusal.NotFound(
                $"\"{recipe.Title}\" changes nothing in {passage.Words} of this part. Choose one of the ways that are offered for it."
            );
        return ScoreExport.Serialize(RecipeTable.Write(recipe, passage, piece.Row.Title));
    }
}

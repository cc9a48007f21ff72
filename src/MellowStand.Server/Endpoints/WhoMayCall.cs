using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace MellowStand.Server.Endpoints;

/// <summary>Says in the OpenAPI document for each route who may call it, out of the same rule that lets them in.</summary>
internal static class WhoMayCall
{
    /// <summary>Name of the sign-in cookie's scheme in the document.</summary>
    public const string Cookie = "session";

    /// <summary>The extension that names the roles of a route.</summary>
    public const string Roles = "x-who-may-call";

    public static void Add(OpenApiOptions options)
    {
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Components ??= new OpenApiComponents();
                document.Components.SecuritySchemes ??= new Dictionary<string, IOpenApiSecurityScheme>();
                document.Components.SecuritySchemes[Cookie] = new OpenApiSecurityScheme
                {
                    Type = SecuritySchemeType.ApiKey,
                    In = ParameterLocation.Cookie,
                    Name = Security.SignInCookie.Name,
                    Description = "Set by POST /api/session. The demo takes the demo director without one, on loopback only.",
                };
                return Task.CompletedTask;
            }
        );
        options.AddOperationTransformer(
            (operation, context, _) =>
            {
                var isClosed = context.Description.ActionDescriptor.EndpointMetadata.OfType<IAuthorizeData>().Any();
                operation.Extensions ??= new Dictionary<string, IOpenApiExtension>();
                operation.Extensions[Roles] = new JsonNodeExtension(isClosed ? "director" : "anyone");
                operation.Security = isClosed ? [new() { [new OpenApiSecuritySchemeReference(Cookie, context.Document)] = [] }] : [];
                if (isClosed)
                    (operation.Responses ??= [])["401"] = new OpenApiResponse { Description = "Nobody is signed in." };
                return Task.CompletedTask;
            }
        );
    }
}

var b = Microsoft.AspNetCore.Builder.WebApplication.CreateBuilder(args); b.Build().Run();

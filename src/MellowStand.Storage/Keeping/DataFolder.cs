namespace MellowStand.Storage.Keeping;

/// <summary>The folder of a school's data, held by one server at a time and readable by its owner only.</summary>
public sealed class DataFolder : IDisposable
{
    private const UnixFileMode OwnerFolder = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;
    private const UnixFileMode OwnerFile = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    private readonly FileStream _lock;

    private DataFolder(string path, FileStream held) => (Path, _lock) = (path, held);

    /// <summary>Path of the folder.</summary>
    public string Path { get; }

    /// <summary>Path of the database in it.</summary>
    public string Database => DatabaseIn(Path);

    /// <summary>Path of the database in a data folder.</summary>
    public static string DatabaseIn(string folder) => System.IO.Path.Combine(folder, "stand.db");

    /// <summary>Makes the folder where there is none, and takes it for this process until it is disposed of.</summary>
    /// <param name="folder">Its path.</param>
    /// <exception cref="KeepingException">It cannot be written, or another server holds it.</exception>
    public static DataFolder Take(string folder)
    {
        var path = System.IO.Path.GetFullPath(folder);
        try
        {
            Directory.CreateDirectory(path, OwnerFolder);
            File.SetUnixFileMode(path, OwnerFolder);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or NotSupportedException)
        {
            throw new KeepingException(
                $"The data folder {path} cannot be made or written ({e.Message.TrimEnd('.')}). Choose another one with --data "
                    + $"DIR, or mend its "
                    + "permissions.",
                e
            );
        }

        return new DataFolder(path, Hold(path));
    }

    /// <summary>Lets nobody but the owner read a file; makes an empty one where there is none.</summary>
    public static void Protect(string file)
    {
        if (!File.Exists(file))
            new FileStream(
                file,
                new FileStreamOptions
                {
                    Mode = FileMode.CreateNew,
                    Access = FileAccess.Write,
                    UnixCreateMode = OwnerFile,
                }
            ).Dispose();
        File.SetUnixFileMode(file, OwnerFile);
    }

    /// <inheritdoc/>
    public void Dispose() => _lock.Dispose();

    private static FileStream Hold(string path)
    {
        var file = System.IO.Path.Combine(path, "stand.lock");
        try
        {
            return new FileStream(
                file,
                new FileStreamOptions
                {
                    Mode = FileMode.OpenOrCreate,
                    Access = FileAccess.ReadWrite,
                    Share = FileShare.None,
                    UnixCreateMode = OwnerFile,
                }
            );
        }
        catch (UnauthorizedAccessException e)
        {
            throw new KeepingException(
                $"The data folder {path} cannot be written. Choose another one with --data DIR, or mend its permissions.",
                e
            );
        }
        catch (IOException e) when (File.Exists(file))
        {
            throw new KeepingException(
                $"Another Mellow Stand is using the data folder {path}. Open its page, stop it first, or choose another folder "
                    + $"with --data DIR.",
                e
            );
        }
        catch (IOException e)
        {
            throw new KeepingException(
                $"The data folder {path} cannot be written ({e.Message.TrimEnd('.')}). Make room, or choose another.",
                e
            );
        }
    }
}

using System.Net;
using System.Net.Sockets;

namespace MellowStand.Server;

/// <summary>Looks whether a port is free before anything is made on the disk.</summary>
internal static class FreePort
{
    /// <exception cref="StartException">Another program listens there, or it may not be taken.</exception>
    public static void Check(int? port)
    {
        if (port is not { } number || number == 0)
            return;
        try
        {
            using var listener = new TcpListener(IPAddress.Loopback, number);
            listener.Start();
        }
        catch (SocketException e)
        {
            throw new StartException(
                StartException.CannotDo,
                e.SocketErrorCode == SocketError.AccessDenied
                    ? $"Port {number} may not be taken by this user. Choose one above 1023 with --port N."
                    : $"Port {number} is taken by another program. Stop it, or choose another port with --port N.",
                e
            );
        }
    }
}

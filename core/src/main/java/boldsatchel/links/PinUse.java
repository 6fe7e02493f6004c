package boldsatchel.links;

import boldsatchel.machine.Link;
import boldsatchel.machine.Signal;

/**
 * A pin of a header that does something.
 *
 * @param header the socket
 * @param pin its number
 * @param signal what goes over it
 * @param part that it serves
 * @param duty what that part needs it for
 */
public record PinUse(Link.End header, int pin, Signal signal, String part, String duty) {}

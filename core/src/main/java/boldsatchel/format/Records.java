package boldsatchel.format;

/** Reads records of the program's own from JSON text. */
public final class Records {

    private Records() {}

    /** A record from text that ships with the program and is known to be right. */
    public static <T> T read(String json, Class<T> type) {
        return BuildMapper.MAPPER.readValue(json, type);
    }
}

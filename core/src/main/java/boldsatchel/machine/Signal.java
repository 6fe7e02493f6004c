package boldsatchel.machine;

/**
 * What a socket or cable can carry, by the standard and how fast it is. Rates are what is left for data after the line code: 8b/10b takes a
 * fifth, 64b/66b and 128b/130b about a fiftieth (HDMI 1.4b and 2.0, VESA DisplayPort 1.4a, USB 3.2, PCI Express 4.0, Serial ATA 3.4, SD
 * Physical Layer 6.0, MIPI D-PHY 1.2).
 */
public enum Signal {
    /** Picture by 3 pairs at up to 340 MHz. */
    HDMI_1_4("HDMI 1.4", Kind.HDMI, 8.16e9, 5000),
    /** Picture by 3 pairs at up to 600 MHz. */
    HDMI_2_0("HDMI 2.0", Kind.HDMI, 14.4e9, 3000),
    /** Picture by 4 lanes of 12 Gbit/s. */
    HDMI_2_1("HDMI 2.1", Kind.HDMI, 42.67e9, 2000),
    /** Lanes of 2.7 Gbit/s. */
    DISPLAYPORT_1_1("DisplayPort 1.1", Kind.DISPLAYPORT, 2.16e9, 3000),
    /** Lanes of 5.4 Gbit/s. */
    DISPLAYPORT_1_2("DisplayPort 1.2", Kind.DISPLAYPORT, 4.32e9, 2000),
    /** Lanes of 8.1 Gbit/s. */
    DISPLAYPORT_1_4("DisplayPort 1.4", Kind.DISPLAYPORT, 6.48e9, 2000),
    /** Lanes of 1.62 Gbit/s to a bare panel. */
    EDP_1_62("eDP, 1.62 Gbit/s a lane", Kind.EDP, 1.296e9, 600),
    /** Lanes of 2.7 Gbit/s to a bare panel. */
    EDP_2_7("eDP, 2.7 Gbit/s a lane", Kind.EDP, 2.16e9, 600),
    /** Lanes of 5.4 Gbit/s to a bare panel. */
    EDP_5_4("eDP, 5.4 Gbit/s a lane", Kind.EDP, 4.32e9, 500),
    /** Pairs of 7 bits a clock at up to 85 MHz. */
    LVDS("LVDS", Kind.LVDS, 0.595e9, 600),
    /** Lanes of up to 1 Gbit/s to a small panel. */
    DSI("DSI", Kind.DSI, 1e9, 300),
    /** Keyboards and mice. */
    USB_LOW("USB 1.5 Mbit/s", Kind.USB, 1.5e6, 3000),
    /** Keyboards, sound, serial lines. */
    USB_FULL("USB 12 Mbit/s", Kind.USB, 12e6, 5000),
    /** USB 2.0. */
    USB_480("USB 480 Mbit/s", Kind.USB, 480e6, 5000),
    /** USB 3.2 first generation. */
    USB_5G("USB 5 Gbit/s", Kind.USB, 4e9, 2000),
    /** USB 3.2 second generation. */
    USB_10G("USB 10 Gbit/s", Kind.USB, 9.7e9, 1000),
    /** 5 GT/s. */
    PCIE_2("PCIe 2", Kind.PCIE, 4e9, 250),
    /** 8 GT/s. */
    PCIE_3("PCIe 3", Kind.PCIE, 7.877e9, 200),
    /** 16 GT/s. */
    PCIE_4("PCIe 4", Kind.PCIE, 15.75e9, 150),
    /** 6 Gbit/s. */
    SATA("SATA 6 Gbit/s", Kind.SATA, 4.8e9, 1000),
    /** 25 MB/s. */
    CARD_25("memory card, 25 MB/s", Kind.CARD, 200e6, 100),
    /** 104 MB/s. */
    CARD_104("memory card, 104 MB/s", Kind.CARD, 832e6, 100),
    /** Twisted pairs. */
    ETHERNET_100("Ethernet 100 Mbit/s", Kind.ETHERNET, 100e6, 100_000),
    /** Twisted pairs. */
    ETHERNET_1000("Ethernet 1 Gbit/s", Kind.ETHERNET, 1e9, 100_000),
    /** Twisted pairs. */
    ETHERNET_2500("Ethernet 2.5 Gbit/s", Kind.ETHERNET, 2.5e9, 100_000),
    /** Two wires, many parts, told apart by address. */
    I2C("I2C", Kind.I2C, 400e3, 1000),
    /** Three wires and one more a part. */
    SPI("SPI", Kind.SPI, 10e6, 300),
    /** Crossed over: what one sends the other receives. */
    UART("serial line (UART)", Kind.UART, 115_200, 3000),
    /** On or off. */
    GPIO("pin, on or off", Kind.GPIO, 1e6, 2000),
    /** On part of the time. */
    PWM("pin with pulses (PWM)", Kind.PWM, 1e6, 2000),
    /** A voltage that is measured. */
    ANALOGUE("voltage that is measured", Kind.ANALOGUE, 1e5, 500),
    /** Sound at about a volt. */
    LINE("sound, line level", Kind.LINE, 4e4, 5000),
    /** Sound with power. */
    SPEAKER("sound, loudspeaker", Kind.SPEAKER, 4e4, 5000),
    /** Sound at a few millivolts. */
    MICROPHONE("sound, microphone", Kind.MICROPHONE, 4e4, 1000),
    /** Pictures from a camera chip. */
    CSI("camera (CSI)", Kind.CAMERA, 1e9, 300),
    /** Radio waves in a coaxial line. */
    RADIO("radio, coaxial", Kind.RADIO, 6e9, 2000),
    /** Rows and columns of a bare keyboard. */
    KEYS("rows and columns of keys", Kind.KEYS, 1e4, 400);

    private final String words;
    private final Kind kind;
    private final double bitsPerSecond;
    private final double bearsMm;

    Signal(String words, Kind kind, double bitsPerSecond, double bearsMm) {
        this.words = words;
        this.kind = kind;
        this.bitsPerSecond = bitsPerSecond;
        this.bearsMm = bearsMm;
    }

    /** The usual name. */
    public String words() {
        return words;
    }

    /** What it is, however fast. */
    public Kind kind() {
        return kind;
    }

    /** The most data a lane carries, bit/s; for analogue kinds the bandwidth, Hz. */
    public double bitsPerSecond() {
        return bitsPerSecond;
    }

    /** How long its passive cables usually may be, mm; from the standards where they say, else what makers recommend. */
    public double bearsMm() {
        return bearsMm;
    }

    /** What a signal is, however fast: a socket for one kind serves a plug of the same kind, at the slower one's rate. */
    public enum Kind {
        /** Picture to a monitor. */
        HDMI("HDMI"),
        /** Picture to a monitor. */
        DISPLAYPORT("DisplayPort"),
        /** Picture to a bare panel. */
        EDP("eDP"),
        /** Picture to a bare panel. */
        LVDS("LVDS"),
        /** Picture to a small panel. */
        DSI("DSI"),
        /** USB. */
        USB("USB"),
        /** PCI Express. */
        PCIE("PCIe"),
        /** Serial ATA. */
        SATA("SATA"),
        /** Memory card. */
        CARD("memory card"),
        /** Ethernet. */
        ETHERNET("Ethernet"),
        /** I2C. */
        I2C("I2C"),
        /** SPI. */
        SPI("SPI"),
        /** Serial line. */
        UART("serial line"),
        /** Single pin. */
        GPIO("pin"),
        /** Single pin. */
        PWM("PWM"),
        /** Single pin. */
        ANALOGUE("analogue input"),
        /** Line level. */
        LINE("line-level sound"),
        /** Loudspeaker. */
        SPEAKER("loudspeaker"),
        /** Microphone. */
        MICROPHONE("microphone"),
        /** Camera. */
        CAMERA("camera"),
        /** Antenna. */
        RADIO("antenna"),
        /** Key matrix. */
        KEYS("key matrix");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** As said in a sentence. */
        public String words() {
            return words;
        }

        /** Whether it carries a picture to a screen. */
        public boolean picture() {
            return this == HDMI || this == DISPLAYPORT || this == EDP || this == LVDS || this == DSI;
        }

        /** Whether several parts hang on the same pins. */
        public boolean shared() {
            return this == I2C || this == SPI;
        }

        /** Whether it goes by pins with a logic level. */
        public boolean logic() {
            return this == I2C || this == SPI || this == UART || this == GPIO || this == PWM || this == ANALOGUE;
        }
    }
}

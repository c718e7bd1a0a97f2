package org.evenhand.core.pollen;

import java.math.BigDecimal;

/**
 * The medium on which a pinch of pollen is germinated. Salts and sugar after Brewbaker &amp; Kwack 1963, Am. J. Bot. 50:859-865 (a
 * litre: boric acid 100 mg, calcium nitrate tetrahydrate 300 mg, magnesium sulfate heptahydrate 200 mg, potassium nitrate 100 mg,
 * sucrose 10 %; from memory); agar 1 % is common practice. Laboratory chemicals: not for eating.
 *
 * @param volumeMl volume, ml; more than 0
 */
public record GerminationMedium(BigDecimal volumeMl) {
    public GerminationMedium {
        Suspension.requirePositive("volumeMl", volumeMl);
        Suspension.requireWithin("volumeMl", volumeMl, BigDecimal.ZERO, new BigDecimal(100_000));
    }

    public BigDecimal boricAcidMg() {
        return perLitre(100);
    }

    public BigDecimal calciumNitrateMg() {
        return perLitre(300);
    }

    public BigDecimal magnesiumSulfateMg() {
        return perLitre(200);
    }

    public BigDecimal potassiumNitrateMg() {
        return perLitre(100);
    }

    public BigDecimal sucroseG() {
        return perLitre(100);
    }

    public BigDecimal agarG() {
        return perLitre(10);
    }

    private BigDecimal perLitre(int amount) {
        return volumeMl.multiply(new BigDecimal(amount)).movePointLeft(3);
    }
}

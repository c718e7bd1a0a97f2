package org.evenhand.core.mating;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * Coefficients of kinship and inbreeding by the tabular method: {@code f(i,i) = (1 + F_i) / 2}, {@code F_i = f(mother, father)},
 * {@code f(i,j) = (f(mother_i,j) + f(father_i,j)) / 2} for i not an ancestor of j. Wright 1922, Am. Nat. 56:330-338; Emik &amp;
 * Terrill 1949, J. Heredity 40:51-55. Every value is a sum of powers of two, so the doubles are exact for some fifty generations.
 *
 * <p>Time and memory grow with the square of the number of genotypes asked for and their ancestors: n(n + 1) / 2 doubles, 100 MB at
 * 5 000. Diploids only.
 */
public final class Kinship {
    private static final int MOST = 20_000;

    private final Pedigree pedigree;
    private final Map<String, Integer> place = new HashMap<>();
    private final double[][] table;

    private Kinship(Pedigree pedigree, List<String> order) {
        this.pedigree = pedigree;
        for (int i = 0; i < order.size(); i++) {
            place.put(order.get(i), i);
        }
        this.table = new double[order.size()][];
        for (int i = 0; i < table.length; i++) {
            Pedigree.Member member = pedigree.member(order.get(i));
            table[i] = row(i, parent(member.mother()), parent(member.father()));
        }
    }

    /** Of everybody in the pedigree. */
    public static Kinship of(Pedigree pedigree) {
        return among(pedigree, pedigree.inOrder());
    }

    /**
     * Of the named ones and their ancestors only.
     *
     * @throws InvalidInputException if {@code pedigree} is not valid
     */
    public static Kinship among(Pedigree pedigree, List<String> names) {
        List<String> order = pedigree.withAncestors(names.stream().map(pedigree::genotype));
        if (order.size() > MOST) {
            throw new InvalidInputException(
                    "pedigree",
                    "holds " + order.size() + " with all ancestors; kinship is worked out for at most " + MOST + ".");
        }
        return new Kinship(pedigree, order);
    }

    private int parent(Optional<String> name) {
        return name.map(n -> Require.present(place, n)).orElse(-1);
    }

    private double[] row(int i, int mother, int father) {
        double[] row = new double[i + 1];
        double[] half = new double[i];
        for (int parent : new int[] {mother, father}) {
            if (parent >= 0) {
                addHalf(half, parent);
            }
        }
        System.arraycopy(half, 0, row, 0, i);
        row[i] = (1 + (mother >= 0 && father >= 0 ? get(mother, father) : 0)) / 2;
        return row;
    }

    private void addHalf(double[] half, int parent) {
        double[] own = table[parent];
        int until = Math.min(half.length, parent + 1);
        for (int j = 0; j < until; j++) {
            half[j] += own[j] / 2;
        }
        for (int j = until; j < half.length; j++) {
            half[j] += table[j][parent] / 2;
        }
    }

    private double get(int i, int j) {
        return i >= j ? table[i][j] : table[j][i];
    }

    /** f(a, b), 0 to 1: the chance that two alleles drawn one from each descend from one. */
    public double between(String a, String b) {
        return get(find(a), find(b));
    }

    /** F of an individual, 0 to 1. */
    public double inbreeding(String name) {
        int i = find(name);
        return 2 * table[i][i] - 1;
    }

    /** F that seedlings of this cross would have: the kinship of the parents. */
    public double ofSeedlings(String mother, String father) {
        return between(mother, father);
    }

    private int find(String name) {
        Integer found = place.get(pedigree.genotype(name));
        if (found == null) {
            throw new InvalidInputException("pedigree", "does not hold '" + name + "'.");
        }
        return found;
    }
}

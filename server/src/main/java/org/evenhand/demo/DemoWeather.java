package org.evenhand.demo;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.WinterRest;

/** Made-up days of a mild southern coast: seasons, warm and cold spells, years that differ. The same every time. */
final class DemoWeather {
    private static final double MEAN = 16.4;
    private static final double SEASON = 4.8;
    private static final double DAY = 4.7;

    private final LocalDate first;
    private final List<DailyTemperatures> days = new ArrayList<>();

    DemoWeather(LocalDate first, LocalDate last) {
        this.first = first;
        SplittableRandom random = new SplittableRandom(11);
        double spell = 0;
        double year = 0;
        for (LocalDate date = first; !date.isAfter(last); date = date.plusDays(1)) {
            if (date.getDayOfYear() == 100) {
                year = 1.6 * (random.nextDouble() - 0.5);
            }
            spell = 0.8 * spell + 1.7 * (random.nextDouble() - 0.5);
            double mean = MEAN + SEASON * Math.cos(2 * Math.PI * (date.getDayOfYear() - 25) / 365) + spell + year;
            double half = DAY + 1.6 * (random.nextDouble() - 0.5);
            days.add(new DailyTemperatures(tenth(mean - half), tenth(mean + half)));
        }
    }

    private static double tenth(double value) {
        return Math.round(value * 10) / 10.0;
    }

    DailyTemperatures on(LocalDate date) {
        return days.get((int) ChronoUnit.DAYS.between(first, date));
    }

    /** The day on which buds that want so much chill and then so much heat open, counted from the first of May. */
    LocalDate bloom(int year, double portions, double heat) {
        LocalDate start = LocalDate.of(year, 5, 1);
        WinterRest chill = new WinterRest();
        WinterRest warm = new WinterRest();
        double[] rise = filled(6.8);
        double[] set = filled(18.2);
        List<DailyTemperatures> season = days.subList(
                (int) ChronoUnit.DAYS.between(first, start) - 1,
                Math.min(days.size(), (int) ChronoUnit.DAYS.between(first, start) + 330));
        List<double[]> hourly = DailyTemperatures.hourly(season, rise, set);
        for (int d = 0; d < hourly.size(); d++) {
            for (double celsius : hourly.get(d)) {
                if (chill.chillPortions() < portions) {
                    chill.hour(celsius);
                } else {
                    warm.hour(celsius);
                }
            }
            if (warm.growingDegreeHours() >= heat) {
                return start.plusDays(d);
            }
        }
        return start.plusDays(hourly.size());
    }

    private static double[] filled(double hour) {
        double[] hours = new double[400];
        Arrays.fill(hours, hour);
        return hours;
    }
}

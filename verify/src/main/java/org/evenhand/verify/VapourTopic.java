package org.evenhand.verify;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.weather.Vapour;

/** Water vapour in the air. */
final class VapourTopic implements Topic {
    @Override
    public String name() {
        return "vpd";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        return answer(inputs, inputs.text("mode"));
    }

    private Optional<Map<String, Object>> answer(Inputs in, String mode) {
        return Optional.ofNullable(
                switch (mode) {
                    case "es_mean" -> saturation(in.number("tmin"), in.number("tmax"));
                    case "instant" -> said(Vapour.at(in.number("T"), in.number("rh")));
                    case "daily_minmax" ->
                        said(Vapour.ofDay(
                                in.number("tmin"), in.number("tmax"), in.number("rhmin"), in.number("rhmax")));
                    case "daily_rhmean" ->
                        said(Vapour.ofDay(in.number("tmin"), in.number("tmax"), in.number("rhmean")));
                    case "daily_dew" ->
                        said(Vapour.ofDewPoint(in.number("tmin"), in.number("tmax"), in.number("tdew")));
                    case "psychrometer" -> psychrometer(in);
                    case "invalid" -> answer(in, in.text("as_mode")).orElse(null);
                    default -> null;
                });
    }

    private static Map<String, Object> saturation(double low, double high) {
        return Map.of(
                "es_tmax_kPa", Vapour.saturation(high),
                "es_tmin_kPa", Vapour.saturation(low),
                "es_kPa", Vapour.saturation(low, high),
                "es_of_mean_T_kPa", Vapour.saturation((low + high) / 2));
    }

    private static Map<String, Object> psychrometer(Inputs in) {
        in.refuseMoreThanOne("elevation_m", "pressure_kPa");
        double pressure = in.optionalNumber("pressure_kPa").orElseGet(() -> Vapour.pressure(in.number("elevation_m")));
        Map<String, Object> said = said(Vapour.ofPsychrometer(in.number("tdry"), in.number("twet"), pressure));
        said.put("pressure_kPa", pressure);
        return said;
    }

    private static Map<String, Object> said(Vapour vapour) {
        Map<String, Object> said = new LinkedHashMap<>();
        said.put("es_kPa", vapour.saturationKpa());
        said.put("ea_kPa", vapour.actualKpa());
        said.put("vpd_kPa", vapour.deficitKpa());
        said.put("rh_percent", vapour.humidity());
        said.put(
                "dew_point_C",
                vapour.dewPointC().isPresent() ? vapour.dewPointC().getAsDouble() : null);
        return said;
    }
}

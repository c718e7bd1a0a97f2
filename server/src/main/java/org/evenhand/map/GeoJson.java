package org.evenhand.map;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.List;
import java.util.Map;

/** Points as RFC 7946 has them: degrees on WGS 84, the longitude first. */
final class GeoJson {
    static final String MEDIA_TYPE = "application/geo+json";

    private GeoJson() {}

    /** What others write into it beside what we read is let pass. */
    @JsonIgnoreProperties(ignoreUnknown = true)
    record FeatureCollection(String type, List<Feature> features) {
        static FeatureCollection of(List<Feature> features) {
            return new FeatureCollection("FeatureCollection", features);
        }
    }

    @JsonIgnoreProperties(ignoreUnknown = true)
    record Feature(String type, Geometry geometry, Map<String, Object> properties) {
        static Feature point(double longitude, double latitude, Map<String, Object> properties) {
            return new Feature("Feature", new Geometry("Point", List.of(longitude, latitude)), properties);
        }
    }

    /** @param coordinates of a point; another geometry's are left as they are */
    @JsonIgnoreProperties(ignoreUnknown = true)
    record Geometry(String type, Object coordinates) {}
}

package org.evenhand.fruitset;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sees to it that outcomes kept by earlier rules are worked out anew: a sum of old and new ones would be of neither. */
@Component
class OutcomeModel {
    /** Raised whenever the same records may come to other outcomes, factors or classes. */
    static final int VERSION = 1;

    private static final Logger LOG = LoggerFactory.getLogger(OutcomeModel.class);

    private final JdbcTemplate jdbc;

    OutcomeModel(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void rebuildWhereOld() {
        // Held until the end, so that of two instances one rebuilds.
        Integer kept = jdbc.queryForObject("select version from outcome_model for update", Integer.class);
        if (kept == VERSION) {
            return;
        }
        LOG.info("Outcomes are kept by the rules of version {}; all are worked out anew by those of {}", kept, VERSION);
        jdbc.execute("truncate flower_outcome, set_cell, loss_cell, cause_cell");
        jdbc.update("insert into flower_outcome_due select orchard_id, id from pollination"
                + " on conflict (orchard_id, pollination_id) do update set orchard_id = excluded.orchard_id");
        jdbc.update("update outcome_model set version = ?", VERSION);
    }
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "project/library.h"

#include <set>

#include "core/support.h"
#include "wireless/band.h"

using namespace yemvo;

static double loss(const std::string& key, BandId id) {
    for (const WallType& t : standard_wall_types())
        if (t.key == key) return loss_db(t, band(id).reference_mhz / 1000);
    throw std::runtime_error("no type " + key);
}

TEST_CASE("the library holds enough types of every use, each with its source and a spread round its figure") {
    const auto types = standard_wall_types();
    CHECK(types.size() >= 25);
    std::set<std::string> keys, names;
    std::set<TypeUse> uses;
    for (const WallType& t : types) {
        INFO(t.name);
        CHECK(keys.insert(t.key).second);
        CHECK(names.insert(t.name).second);
        CHECK_FALSE(t.source.empty());
        CHECK((t.losses.size() >= 3 || t.computed()));
        uses.insert(t.use);
        for (const LossPoint& p : t.losses) {
            CHECK(p.low_db <= p.loss_db);
            CHECK(p.loss_db <= p.high_db);
        }
    }
    CHECK(uses.size() == 6);
}

TEST_CASE("the order of materials is what builders expect at every band") {
    for (const Band& b : bands()) {
        INFO(b.name);
        CHECK(loss("door-steel", b.id) > loss("door-timber", b.id));
        CHECK(loss("door-timber", b.id) > loss("door-hollow", b.id));
        CHECK(loss("concrete-200", b.id) > loss("concrete-100", b.id));
        CHECK(loss("brick-cavity", b.id) > loss("brick-half", b.id));
        CHECK(loss("brick-half", b.id) > loss("plasterboard", b.id));
        CHECK(loss("window-coated", b.id) > 3 * loss("window-double", b.id));
        CHECK(loss("slab-concrete-300", b.id) > loss("slab-timber", b.id));
    }
}

TEST_CASE("there are models from small to large, together for every band, with powers in order") {
    const auto models = standard_models();
    CHECK(models.size() >= 15);
    std::set<std::string> reached;
    for (const AccessPointModel& m : models) {
        CHECK(m.radios.size() <= 5);
        for (const RadioModel& r : m.radios)
            for (const RadioBand& b : r.bands) {
                reached.insert(band(b.band).name);
                CHECK(b.power.low_dbm < b.power.high_dbm);
                CHECK_FALSE(channels(b.band, b.widest_mhz).empty());
            }
    }
    CHECK(reached.size() == 3);
}

// SPDX-License-Identifier: GPL-3.0-or-later
// Another way to work out fields, and losses on top: both tell themselves in the field's key and in the
// explanation.
#include "core/support.h"
#include "coverage/lens_map.h"
#include "coverage/probe.h"
#include "coverage/site_prediction.h"
#include "demo/demo.h"
#include "propagation/direct_tier.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// So many dB a metre of the way at 5 GHz, nothing elsewhere.
class Crowd : public LossOverlay {
public:
    explicit Crowd(double db_per_m) : db_per_m_(db_per_m) {}
    std::uint64_t key() const override { return ContentKey().add(db_per_m_).value(); }
    std::string name() const override { return "A crowd"; }
    double loss_db(BandId band, Point3 a, Point3 b) const override {
        return band == band_5 ? db_per_m_ * length(b - a) : 0;
    }

private:
    double db_per_m_;
};

/// Free space alone, whatever stands in the way: another tier, as simple as can be.
class FreeSpaceTier : public FieldTier {
public:
    std::uint64_t key() const override { return 77; }
    GainField field(const RadioPlace& place, const Antenna& antenna, const Turn& turn, BandId id,
                    const CancelToken&) override {
        ++traced_;
        Scene empty = *place.scene;
        empty.panels.clear();
        empty.slabs.clear();
        empty.prisms.clear();
        return make_gain_field(place.surface, place.source, turn, antenna, id,
                               cast_shadows(empty, place.surface, place.source, {}));
    }
    std::shared_ptr<const std::vector<TilePlane>> deviation(const RadioPlace&, const CancelToken&) override {
        return nullptr;
    }
    LinkExplanation explain(const Project& p, const Scene& s, const Floor& f, const AccessPoint& ap,
                            std::size_t r, Point3 receiver) const override {
        LinkExplanation link = yemvo::explain(p, s, f, ap, r, receiver);
        for (std::size_t i = 3; i < link.terms.size(); ++i) link.received_dbm -= link.terms[i].db;
        link.terms.resize(3);
        return link;
    }
    std::size_t traced() const override { return traced_; }

private:
    std::atomic<std::size_t> traced_ = 0;
};

float level_at(const FloorPrediction& p, Point place, BandId band = band_5) {
    return lens_values(p, {LensId::signal, band})[*p.surface.cell_at(place)];
}

}  // namespace

TEST_CASE("an overlay lowers each field by its loss, at the map's place and in the explanation alike") {
    const Project p = demo::compose_venue();
    const FloorId f = floor_at(p, 1);
    Predictor predictor;
    const FloorPrediction plain = predictor.predict(p, {f}).floors.front();
    PredictionWish wish;
    wish.overlay = std::make_shared<Crowd>(0.3);
    const FloorPrediction crowded = predictor.predict(p, {f}, wish).floors.front();
    int compared = 0;
    for (std::size_t i = 0; i < plain.surface.cells(); i += 97) {
        if (!plain.mask->shown[i]) continue;
        const Point at = plain.surface.centre(i);
        const auto links =
            probe(p, *plain.scene, *find_floor(p, f), at, BandSet(band_5), {nullptr, wish.overlay.get()});
        CHECK(level_at(crowded, at) == Approx(links.front().received_dbm).margin(0.1));
        CHECK(links.front().terms.back().name == "A crowd");
        CHECK(links.front().terms.back().db == Approx(-0.3 * links.front().distance_m).margin(1e-9));
        double sum_db = 0;
        for (const LinkTerm& t : links.front().terms) sum_db += t.db;
        CHECK(links.front().received_dbm == Approx(sum_db));
        CHECK(level_at(crowded, at) < level_at(plain, at));
        CHECK(level_at(crowded, at, band_24) == level_at(plain, at, band_24));
        ++compared;
    }
    CHECK(compared > 20);
    // fields with and without it are kept side by side
    const std::size_t traced = predictor.store().traced();
    CHECK(level_at(predictor.predict(p, {f}).floors.front(), {10, 10}) == level_at(plain, {10, 10}));
    CHECK(predictor.store().traced() == traced);
    CHECK(predictor.floor_key(p, f, wish, {}) != predictor.floor_key(p, f, {}, {}));
}

TEST_CASE("another tier is another implementation: maps and explanations come from it") {
    Project p = one_floor();
    wall(p, "brick-half", {{10, 0}, {10, 20}});
    wall(p, "brick-half", {{0, 0}, {20, 0}, {20, 20}, {0, 20}, {0, 0}});
    isotropic_access_point(p, {5, 10});
    auto tier = std::make_shared<FreeSpaceTier>();
    Predictor free_space(std::make_shared<MemoryBudget>(usual_budget_bytes()), nullptr, tier), direct;
    const FloorPrediction a = free_space.predict(p).floors.front(), b = direct.predict(p).floors.front();
    CHECK(tier->traced() > 0);
    CHECK(level_at(a, {4, 10}) == Approx(level_at(b, {4, 10})).margin(0.02));
    CHECK(level_at(a, {15, 10}) > level_at(b, {15, 10}) + 2);
    const auto links = probe(p, *a.scene, *all_floors(p)[0], {15.25, 10.25}, {}, {tier.get(), nullptr});
    for (const LinkExplanation& link : links)
        if (link.channel.band == band_5)
            CHECK(link.received_dbm == Approx(level_at(a, {15.25, 10.25})).margin(0.05));
    CHECK(free_space.floor_key(p, a.floor, {}, {}) != direct.floor_key(p, a.floor, {}, {}));
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "capacity/first_answer.h"

#include "airtime/frame_cost.h"
#include "demo/demo.h"
#include "project/library.h"

using namespace yemvo;

namespace {

AnswerWish one_band(BandId id, double eirp_dbm = 20) {
    AnswerWish w;
    w.hour = "busy";
    w.networks = 1;
    for (const Band& b : bands()) {
        AnswerBand own;
        own.used = b.id == id;
        own.eirp_dbm = eirp_dbm;
        own.power_dbm = 16;
        w.bands.push_back(own);
    }
    return w;
}

Project halls(double side_m, double people, int count = 1) {
    Project p = test::one_floor();
    for (int i = 0; i < count; ++i) {
        const double x = i * (side_m + 1);
        Zone z{{}, "Hall", ZoneKind::served, {{x, 0}, {x + side_m, 0}, {x + side_m, side_m}, {x, side_m}}};
        z.demand.emplace();
        z.demand->amount = people;
        z.demand->devices = 1;
        z.demand->profiles = {{"older-laptop", 1}};
        z.demand->applications = {{"video", 1}};
        add_zone(p, test::floor_at(p, 0), z);
    }
    return p;
}

}  // namespace

TEST_CASE("a radio reaches as far as P.1238 of offices says, less the margin") {
    // 20 log 5500 - 28 = 46.807 dB at 1 m; 20 + 67 - 8 = 79 dB; 10^((79 - 46.807) / 31)
    CHECK(reach_m(band_5, 20, -67, 8) == Approx(10.925).margin(0.01));
    CHECK(reach_m(band_24, 20, -67, 8) ==
          Approx(std::pow(10, (79 - (20 * std::log10(2442.0) - 28)) / 30)).margin(0.01));
    CHECK(reach_m(band_5, -60, -67, 8) == 0);
}

TEST_CASE("without people the area decides: a honeycomb of cells") {
    const Project p = halls(40, 0);
    const FirstAnswer a = first_answer(p, one_band(band_5));
    CHECK(a.cell_m2[1] == Approx(2.598 * 10.925 * 10.925).margin(0.5));  // 310 m2
    REQUIRE(a.zones.size() == 1);
    CHECK(a.zones[0].bands[1].by_area == Approx(1600 / 310.1).margin(0.01));
    CHECK(a.access_points == 6);  // 5.16 of them
    CHECK(a.zones[0].rule == AnswerRule::area);
    CHECK(a.radios == std::vector<int>{0, 6, 0});
}

TEST_CASE("with people the air decides, by the frames that they need") {
    const Project p = halls(15, 150);
    const AnswerWish wish = one_band(band_5);
    const FirstAnswer a = first_answer(p, wish);
    const AnswerOfBand& of = a.zones[0].bands[1];
    CHECK(of.clients == 150);
    // by hand: VHT 20 MHz two streams at the level that half are above, -67 + 31 log sqrt 2 dBm
    const double dbm = -67 + 31 * std::log10(std::sqrt(2.0));
    const ClientProfile& laptop = client(p, "older-laptop");
    const RateLadder ladder({Standard::be, band_5, 2}, channels(band_5, 20).front(), laptop,
                            laptop.noise_figure_db);
    FrameWish frame;
    frame.form = ladder.step(dbm)->form;
    const FrameCost down = frame_cost(frame);
    const double per_s = 6 * 0.85 * 1e6 / 8 / 1500;
    const double least = 150 * per_s / down.most * (down.txop_us(down.most) + 43) * 1e-6;
    CHECK(of.air > least);
    CHECK(of.air < 1.3 * least);  // and what goes up
    CHECK(of.by_air == Approx(of.air / (0.6 - beacon_share(300, 12, 1, 1, band_5))));
    CHECK(a.zones[0].rule == AnswerRule::airtime);
    CHECK(a.access_points == static_cast<int>(std::ceil(of.by_air - 0.1)));
}

TEST_CASE("clients for each radio decide where they are many and ask for little") {
    Project p = halls(15, 200);
    p.buildings[0].floors[0].zones.edit()[0].demand->applications = {{"telemetry", 1}};
    AnswerWish wish = one_band(band_5);
    wish.most_clients = 40;
    const FirstAnswer a = first_answer(p, wish);
    CHECK(a.zones[0].rule == AnswerRule::clients);
    CHECK(a.access_points == 5);
}

TEST_CASE("small rooms share one beside them") {
    const FirstAnswer a = first_answer(halls(6, 0, 6), one_band(band_5));
    for (const AnswerZone& z : a.zones) CHECK(z.rule == AnswerRule::shared);
    CHECK(a.access_points == 1);  // 216 m2 of 310
}

TEST_CASE("a wider channel costs channels, and that is told where it matters") {
    const Project p = halls(40, 900);
    AnswerWish wish = one_band(band_5);
    const FirstAnswer narrow = first_answer(p, wish);
    wish.bands[1].width_mhz = 80;
    const FirstAnswer wide = first_answer(p, wish);
    CHECK(wide.channels[1] < narrow.channels[1]);
    CHECK(wide.zones[0].bands[1].air < narrow.zones[0].bands[1].air);
    wish.bands[1].width_mhz = 160;
    CHECK(first_answer(p, wish).short_of_channels);
}

TEST_CASE("positions are spread evenly, inside, and the same each time") {
    const std::vector<Point> hall{{0, 0}, {40, 0}, {40, 10}, {0, 10}};
    const auto four = rough_positions(hall, 4);
    REQUIRE(four.size() == 4);
    CHECK(four == rough_positions(hall, 4));
    std::vector<double> x;
    for (Point p : four) {
        CHECK(contains(hall, p));
        CHECK(p.y == Approx(5).margin(1.2));
        x.push_back(p.x);
    }
    std::ranges::sort(x);
    for (int i = 0; i < 4; ++i) CHECK(x[static_cast<std::size_t>(i)] == Approx(5 + 10 * i).margin(2));
    CHECK(rough_positions(hall, 0).empty());
}

TEST_CASE("a site of length, width, floors and people, and the demo, have an answer at once") {
    const Project plain = plain_site({60, 20, 3, 240, "offices"});
    const FirstAnswer a = first_answer(plain, usual_answer(plain));
    CHECK(a.floors.size() == 3);
    CHECK(a.site.people == Approx(240));
    CHECK(a.access_points % 3 == 0);
    CHECK(a.access_points >= 6);
    CHECK_THROWS_AS(plain_site({10, 10, 1, 10, "nothing"}), Error);
    CHECK_THROWS_AS(first_answer(test::one_floor(), usual_answer(plain)), Error);

    const Project demo = demo::compose_venue();
    AnswerWish wish = usual_answer(demo);
    wish.hour = "evening";
    const FirstAnswer library = first_answer(demo, wish);
    Project placed = demo;
    placed.variants[0].access_points.clear();
    const auto places = rough_places(placed, library);
    CHECK(places.size() == static_cast<std::size_t>(library.access_points));
    place_as_a_start(placed, wish, places);
    CHECK(placed_access_points(placed).size() == places.size());
    for (const RoughPlace& r : places)
        CHECK(contains(find_zone(*find_floor(placed, r.floor), r.zone)->outline, r.at));
    int sum = 0;
    for (const AnswerFloor& f : library.floors) sum += f.access_points;
    CHECK(sum == library.access_points);
    CHECK(library.access_points > 15);
    CHECK(library.access_points < 60);
}

// SPDX-License-Identifier: GPL-3.0-or-later
// Each lens on two or three radios in free space and behind one wall, worked out by hand from received
// levels.
#include <cmath>

#include "core/support.h"
#include "coverage/lens_map.h"
#include "coverage/verdict.h"
#include "propagation/explain.h"
#include "wireless/link_budget.h"
#include "wireless/rates.h"
#include "wireless/spectrum.h"

using namespace yemvo;
using namespace yemvo::test;

namespace {

/// An open floor of 40 m x 4 m with isotropic access points, all radios off but those asked for.
struct Field {
    Project project = at_square_entry(one_floor());
    FloorId floor = floor_at(project, 0);

    Field() { wall(project, "brick-half", {{0, 0}, {40, 0}, {40, 4}, {0, 4}, {0, 0}}); }
    AccessPointId add(double x, BandSet on, int channel_5 = 36, double power_dbm = 14) {
        const AccessPointId id = isotropic_access_point(project, {x, 2}, 1.0);
        AccessPoint ap = *find_access_point(project, floor, id);
        for (Radio& r : ap.radios) {
            r.on = on.contains(r.channel.band);
            r.power_dbm = power_dbm;
            if (r.channel.band == band_5) r = retuned(r, band_5, channel_5, 20);
            if (r.channel.band == band_24) r = retuned(r, band_24, 1, 20);
        }
        replace_access_point(project, floor, ap);
        return id;
    }
    /// At the height of the access points, 1 m.
    double at(double x, const LensChoice& choice, bool deviation = false) const {
        Predictor predictor;
        const FloorPrediction p = predictor.predict(project, {floor}, {0.5, deviation, 0}).floors.front();
        return double{lens_values(p, choice)[*p.surface.cell_at({x, 2.25})]};
    }
    double at(double x, LensId lens, BandSet bands = band_5) const { return at(x, look(lens, bands)); }
    LensChoice look(LensId lens, BandSet bands = band_5) const {
        LensChoice c;
        c.lens = lens;
        c.bands = bands;
        c.client = client(project, "tablet");
        return c;
    }
    /// Level of a radio of `power` at a distance along the floor, cell centres being 0.25 m aside.
    static double level(double along_m, double mhz = 5180, double power_dbm = 14) {
        return power_dbm - free_space_loss_db(mhz, std::hypot(along_m, 0.25));
    }
};

}  // namespace

TEST_CASE("signal, next-best and third are the levels of the three nearest, by rank") {
    Field f;
    f.add(5, band_5);
    f.add(15, band_5, 40);
    f.add(30, band_5, 44);
    CHECK(f.at(7.25, LensId::signal) == Approx(Field::level(2.25)).margin(0.05));
    CHECK(f.at(7.25, LensId::next_best) == Approx(Field::level(7.75, 5200)).margin(0.05));
    CHECK(f.at(7.25, LensId::third) == Approx(Field::level(22.75, 5220)).margin(0.05));
    CHECK(f.at(20.25, LensId::serving) == 2);
    CHECK(std::isnan(f.at(7.25, LensId::signal, band_6)));
}

TEST_CASE("SNR is the signal over the noise of the channel's width, in the best of several bands") {
    Field f;
    f.add(5, BandSet(band_5).with(band_24));
    const double noise = -100.965 + 7;  // k T0 20 MHz and the client's noise figure
    CHECK(f.at(9.25, LensId::snr) == Approx(Field::level(4.25) - noise).margin(0.05));
    CHECK(f.at(9.25, LensId::snr, all_bands()) == Approx(Field::level(4.25, 2412) - noise).margin(0.05));
}

TEST_CASE("the serving band is the strongest of those chosen") {
    Field f;
    f.add(5, BandSet(band_5).with(band_24));
    CHECK(f.at(9.25, LensId::serving_band, all_bands()) == band_24.index);
    CHECK(f.at(9.25, LensId::serving_band, BandSet(band_5).with(band_6)) == band_5.index);
}

TEST_CASE("rates come from the MCS table: strong both ways full, weak ones as the client's power allows") {
    Field f;
    f.add(1, band_5, 36, 14);
    // 802.11ax, 20 MHz, two streams, guard 0.8 us: MCS 11 is 286.8 Mbit/s
    CHECK(f.at(2.25, LensId::rate_down) == Approx(286.8).margin(0.1));
    CHECK(f.at(2.25, LensId::rate_up) == Approx(286.8).margin(0.1));
    // a client 30 dB weaker: -44.9 - 30 dBm at 4.25 m over -94.97 dBm gives 20.0 dB, for two streams MCS 4
    // asks 20, for one MCS 4 17: 2 x 51.6
    LensChoice weak = f.look(LensId::rate_up);
    weak.client.power_dbm = 14 - 30;
    const double up_dbm = Field::level(4.25) - 30, snr = up_dbm - noise_dbm(20, access_point_noise_figure_db);
    double best = 0;
    for (const Mcs& m : mcs_list(Standard::ax))
        for (int n : {1, 2})
            if (snr >= m.plan_snr_db + (n == 2 ? 3 : 0))
                best = std::max(best, *phy_rate_mbps(Standard::ax, 20, n, m.index, 0.8));
    CHECK(best > 50);
    CHECK(best < 150);
    CHECK(f.at(5.25, weak) == Approx(best));
    // a client that does not know the band
    LensChoice none = f.look(LensId::rate_down, band_5);
    none.client = client(f.project, "sensor");
    CHECK(f.at(5.25, none) == 0);
}

TEST_CASE("fallback: the common standard, width and streams decide") {
    const RadioAbility radio{Standard::be, band_5, 4};
    ClientProfile c{"c", "C", "ax", 2, {{band_5, 80}}, 14, 7};
    const auto rate = [&](const Channel& ch, double snr20) {
        return RateLadder(radio, ch, c, 7).rate_mbps(noise_dbm(20, 7) + snr20);
    };
    CHECK(rate({band_5, 50, 160}, 60) == Approx(1201.0).margin(0.1));  // HE80, MCS 11, two streams
    c.standard = "ac";
    CHECK(rate({band_5, 50, 160}, 60) == Approx(780.0).margin(0.1));  // VHT80, MCS 9, two streams at 0.8 us
    c.streams = 1;
    CHECK(rate({band_5, 36, 20}, 60) == Approx(78.0).margin(0.1));  // VHT20 has no MCS 9 for one stream
    c.widest_mhz = {{band_6, 80}};
    CHECK(RateLadder({Standard::be, band_6, 2}, {band_6, 5, 20}, c, 7).rate_mbps(-30) ==
          0);  // no 802.11ac at 6 GHz
}

TEST_CASE("radios heard counts those of -82 dBm or more, all bands together") {
    Field f;
    f.add(5, BandSet(band_5).with(band_24));
    f.add(15, band_5, 40);
    f.add(39, band_5, 44, -20);
    CHECK(f.at(7.25, LensId::heard) == 2);
    CHECK(f.at(7.25, LensId::heard, all_bands()) == 3);
    LensChoice deaf = f.look(LensId::heard);
    deaf.heard_dbm = -40;
    CHECK(f.at(5.25, deaf) == 1);
}

TEST_CASE("contention counts who shares the serving radio's spectrum, by the share") {
    Field f;
    f.add(5, band_5, 36);
    f.add(10, band_5, 36);
    f.add(15, band_5, 149);
    CHECK(f.at(6.25, LensId::contention) == Approx(1));
    CHECK(f.at(14.25, LensId::contention) == Approx(0).margin(1e-6));
    // a wide channel over the narrow one: half of its power lies in it
    AccessPoint ap = access_points(f.project, f.floor)[1];
    for (Radio& r : ap.radios)
        if (r.channel.band == band_5) r = retuned(r, band_5, 36, 40);
    replace_access_point(f.project, f.floor, ap);
    CHECK(f.at(6.25, LensId::contention) == Approx(0.5).margin(0.03));
    CHECK(overlap({band_5, 36, 20}, {band_5, 38, 40}) == Approx(1).margin(0.02));
    CHECK(overlap({band_5, 36, 20}, {band_5, 40, 20}) < 0.02);
    CHECK(overlap({band_24, 1, 20}, {band_24, 6, 20}) < 0.01);
    CHECK(overlap({band_24, 1, 20}, {band_24, 3, 20}) == Approx(0.5).margin(0.05));
    CHECK(overlap({band_5, 36, 20}, {band_6, 37, 20}) == 0);
}

TEST_CASE("link balance is how much more the radio sends than the client") {
    Field f;
    f.add(5, band_5, 36, 20);
    CHECK(f.at(6.25, LensId::balance) == Approx(6));  // the tablet sends 14 dBm
}

TEST_CASE("confidence is the share of the normal distribution above the level asked for") {
    // CHK s.1 and s.2 of the reference: mean, threshold, deviation
    CHECK(confidence(-65, -67, 6) == Approx(0.6306).margin(1e-4));
    CHECK(confidence(-60, -67, 8) == Approx(0.8092).margin(1e-4));
    Field f;
    f.add(5, band_5);
    wall(f.project, "brick-half", {{20, 0}, {20, 4}});
    LensChoice look = f.look(LensId::confidence);
    look.level_dbm = Field::level(9.25);
    CHECK(f.at(14.25, look, true) == Approx(50).margin(0.5));  // predicted just so
    look.level_dbm = Field::level(9.25) - 3;                   // one deviation of a clear way
    CHECK(f.at(14.25, look, true) == Approx(84.1).margin(0.6));
    // behind brick: 8 dB, spread 4 to 14 dB
    const double deviation = std::hypot(5, 10 / 2.5631);
    look.level_dbm = Field::level(20.25) - 8 - deviation;
    CHECK(f.at(25.25, look, true) == Approx(84.1).margin(0.6));
    CHECK(std::isnan(f.at(25.25, look, false)));
}

TEST_CASE("a failure leaves the next access point's signal, and takes the difference") {
    Field f;
    f.add(5, band_5);
    f.add(15, BandSet(band_5).with(band_24), 40);
    const double best = Field::level(2.25), next = Field::level(7.75, 5200);
    CHECK(f.at(7.25, LensId::failure) == Approx(next).margin(0.05));
    CHECK(f.at(7.25, LensId::failure_loss) == Approx(best - next).margin(0.05));
    // over all bands the other access point is left with its 2.4 GHz radio
    CHECK(f.at(7.25, LensId::failure, all_bands()) == Approx(Field::level(7.75, 2412)).margin(0.05));
    // alone, everything down to the noise is lost
    Field alone;
    alone.add(5, band_5);
    CHECK(alone.at(7.25, LensId::failure_loss) == Approx(best - (-100.965 + 7)).margin(0.05));
}

TEST_CASE("when chosen access points fail, the others are left; the loss is what that takes") {
    Field f;
    const AccessPointId near = f.add(5, band_5), far = f.add(25, band_5);
    LensChoice c = f.look(LensId::failure);
    c.only = {far};
    CHECK(f.at(7.25, c) == Approx(Field::level(2.25)).margin(0.05));
    c.only = {near};
    CHECK(f.at(7.25, c) == Approx(Field::level(17.75)).margin(0.05));
    c.lens = LensId::failure_loss;
    CHECK(f.at(7.25, c) == Approx(Field::level(2.25) - Field::level(17.75)).margin(0.05));
    c.only = {far};
    CHECK(f.at(7.25, c) == Approx(0).margin(0.01));
    c.only = {near, far};
    c.lens = LensId::failure;
    CHECK(std::isnan(f.at(7.25, c)));
}

TEST_CASE("a change is now less before at the same place, and nothing where only one of them is") {
    Field f;
    f.add(5, band_5);
    Field louder;
    louder.add(5, band_5, 36, 17.5);
    // one that begins elsewhere: its cells lie otherwise
    Field shorter;
    shorter.project = at_square_entry(one_floor());
    shorter.floor = floor_at(shorter.project, 0);
    wall(shorter.project, "brick-half", {{3, 0}, {20, 0}, {20, 4}, {3, 4}, {3, 0}});
    shorter.add(5, band_5);
    const auto look = f.look(LensId::signal);
    const auto floor = [](const Field& of) {
        Predictor predictor;
        return predictor.predict(of.project).floors.front();
    };
    const auto change = [&](const FloorPrediction& now, const FloorPrediction& before) {
        return lens_change(now, lens_values(now, look), before, lens_values(before, look),
                           lens(LensId::signal));
    };
    const FloorPrediction now = floor(louder), before = floor(f), other = floor(shorter);
    const auto louder_by = change(now, before), moved = change(now, other);
    const std::size_t near = *now.surface.cell_at({7.25, 2.25}), outside = *now.surface.cell_at({1.25, 2.25});
    CHECK(double{louder_by[near]} == Approx(3.5).margin(0.02));
    CHECK(double{moved[near]} == Approx(3.5).margin(0.02));
    CHECK(double{louder_by[outside]} == Approx(3.5).margin(0.02));
    CHECK(std::isnan(moved[outside]));
}

TEST_CASE("signal outside is what arrives beyond the walls, and only there") {
    Field f;
    f.add(5, band_5);
    Predictor predictor;
    const FloorPrediction p = predictor.predict(f.project, {f.floor}, {0.5, false, false, 10}).floors.front();
    const auto values = lens_values(p, f.look(LensId::outside));
    const std::size_t beyond = *p.surface.cell_at({5.25, -4.75}), indoors = *p.surface.cell_at({5.25, 2.25});
    CHECK(p.mask->shown[beyond] == 1);
    CHECK(p.mask->shown[indoors] == 0);
    CHECK(double{values[beyond]} ==
          Approx(14 - free_space_loss_db(5180, std::hypot(0.25, 6.75)) - 8).margin(0.05));
}

TEST_CASE("some access points alone: the map is theirs") {
    Field f;
    f.add(5, band_5);
    const AccessPointId far = f.add(15, band_5, 40);
    LensChoice only = f.look(LensId::signal);
    only.only = {far};
    CHECK(f.at(7.25, only) == Approx(Field::level(7.75, 5200)).margin(0.05));
    only.lens = LensId::serving;
    CHECK(f.at(7.25, only) == 2);
    only.lens = LensId::heard;
    CHECK(f.at(7.25, only) == 1);
}

TEST_CASE("a requirement over several bands asks each of them, or one of them") {
    Field f;
    f.add(5, BandSet(band_5).with(band_24));
    Requirement r{{}, "signal", BandSet(band_5).with(band_24), -50, 0.5};
    const auto share = [&] {
        set_requirements(f.project, {r});
        Predictor predictor;
        return judge(f.project, predictor.predict(f.project)).requirements[0].share_met();
    };
    const double each = share();
    r.bands = band_5;
    CHECK(each == Approx(share()));
    r.bands = BandSet(band_5).with(band_24);
    r.any_band = true;
    const double any = share();
    r.bands = band_24;
    CHECK(any == Approx(share()));
    CHECK(any > each);
}

TEST_CASE("the chance that a level holds is the one worked out independently") {
    CHECK(confidence(-65, -67, 6) == Approx(check_value("s.1")).margin(1e-4));
    CHECK(confidence(-60, -67, 8) == Approx(check_value("s.2")).margin(1e-4));
    // the margin for 95 % at a point
    CHECK(confidence(-67 + check_value("s.3"), -67, 6) == Approx(0.95).margin(1e-4));
    CHECK(confidence(-67, -67, 4) == 0.5);
    CHECK(confidence(-57, -67, 3) > confidence(-57, -67, 6));
}

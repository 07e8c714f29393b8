// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/contention.h"

using namespace yemvo;

namespace {

FrameCost cost(bool protects = false) {
    FrameWish wish;
    wish.form = {Standard::ax, 20, 1, 7, 0.8};
    wish.protects = protects;
    return frame_cost(wish);
}

Contender sender(double per_s, bool protects = false) {
    Contender c;
    c.to = {{per_s, 1, cost(protects)}};
    return c;
}

Contender stranger(double share) {
    Contender c;
    c.fixed_share = share;
    return c;
}

void hear_each_other(Contention& c, std::uint32_t a, std::uint32_t b) {
    c.hearing.push_back({a, b, 1});
    c.hearing.push_back({b, a, 1});
}

double goodput_mbps(const Contention& c, const ContentionResult& r) {
    double sum = 0;
    for (std::size_t k = 0; k < r.of.size(); ++k)
        sum += c.contenders[k].count * r.of[k].txops_per_s * r.of[k].mpdus * 1500 * 8 / 1e6;
    return sum;
}

}  // namespace

TEST_CASE("what two neighbours take adds where they hear each other, and overlaps where they do not") {
    Contention c;
    c.contenders = {stranger(0.30), stranger(0.40), stranger(0.25)};
    hear_each_other(c, 0, 1);
    hear_each_other(c, 0, 2);
    CHECK(1 - solve(c).of[0].heard_use == Approx(0.1929).margin(5e-5));
    hear_each_other(c, 1, 2);
    CHECK(1 - solve(c).of[0].heard_use == Approx(0.0500).margin(5e-5));
}

TEST_CASE("many uplinks that always send lose by colliding, but for RTS and CTS") {
    const auto total = [](double clients, bool protects) {
        Contention c;
        c.contenders = {sender(always_full, protects)};
        c.contenders[0].count = clients;
        return goodput_mbps(c, solve(c));
    };
    CHECK(total(1, false) == Approx(79.3).margin(0.3));
    CHECK(total(2, false) == Approx(75.4).margin(0.3));
    CHECK(total(10, false) == Approx(61.2).margin(0.3));
    CHECK(total(30, false) == Approx(51.2).margin(0.3));
    CHECK(total(1, true) == Approx(78.1).margin(0.5));
    CHECK(total(2, true) == Approx(78.4).margin(0.5));
    CHECK(total(10, true) == Approx(78.5).margin(0.5));
    CHECK(total(30, true) == Approx(78.3).margin(0.5));
}

TEST_CASE("equal contenders counted together are the same as one by one") {
    Contention one, many;
    one.contenders = {sender(400)};
    one.contenders[0].count = 8;
    for (int i = 0; i < 8; ++i) many.contenders.push_back(sender(400));
    for (std::uint32_t a = 0; a < 8; ++a)
        for (std::uint32_t b = 0; b < a; ++b) hear_each_other(many, a, b);
    const ContentionResult together = solve(one), single = solve(many);
    for (const ContenderShare& s : single.of) {
        CHECK(s.use == Approx(together.of[0].use).epsilon(1e-3));
        CHECK(s.mpdus == Approx(together.of[0].mpdus).epsilon(1e-3));
        CHECK(s.delivered == Approx(together.of[0].delivered).epsilon(1e-3));
    }
}

TEST_CASE("a solution to begin from leads to the same one sooner") {
    Contention c;
    c.contenders = {sender(3000), sender(2500), sender(1000)};
    hear_each_other(c, 0, 1);
    hear_each_other(c, 1, 2);
    const ContentionResult first = solve(c);
    const ContentionResult again = solve(c, first);
    CHECK(again.sweeps < first.sweeps / 2);
    c.contenders[2].to[0].msdu_per_s = 1100;
    const ContentionResult from = solve(c, first), fresh = solve(c);
    for (std::size_t k = 0; k < 3; ++k) {
        CHECK(from.of[k].delivered == Approx(fresh.of[k].delivered).margin(2e-3));
        CHECK(from.of[k].use == Approx(fresh.of[k].use).margin(2e-3));
    }
}

TEST_CASE("nothing asked is nothing used, and all of it is delivered") {
    Contention c;
    CHECK(solve(c).of.empty());
    c.contenders = {sender(0), Contender{}};
    const ContentionResult r = solve(c);
    CHECK(r.of[0].use == 0);
    CHECK(r.of[0].delivered == 1);
    CHECK(r.of[1].headroom() > 1000);
}

TEST_CASE("strangers that take everything leave nothing, and no number breaks") {
    Contention c;
    c.contenders = {sender(2000), stranger(0.7), stranger(0.6)};
    hear_each_other(c, 0, 1);
    hear_each_other(c, 0, 2);
    hear_each_other(c, 1, 2);
    const ContentionResult r = solve(c);
    CHECK(r.of[0].delivered >= 0);
    CHECK(r.of[0].delivered < 0.05);
    CHECK(std::isfinite(r.of[0].use));
}

TEST_CASE("solving can be stopped") {
    Contention c;
    c.contenders = {sender(2000)};
    CancelToken cancel;
    cancel.cancel();
    CHECK_THROWS_AS(solve(c, {}, {}, cancel), Cancelled);
}

// SPDX-License-Identifier: GPL-3.0-or-later
#include "airtime/backoff.h"

#include "airtime/frame_cost.h"
#include "airtime/serving.h"

using namespace yemvo;
using test::check_value;

TEST_CASE("stations that always send try and collide as Bianchi says") {
    const auto best_effort = [](double n) {
        return saturated_attempts(n, backoff(AccessCategory::best_effort));
    };
    CHECK(best_effort(2).attempt == Approx(0.10462).margin(5e-6));
    CHECK(best_effort(2).collision == Approx(0.1046).margin(5e-5));
    CHECK(best_effort(10).attempt == Approx(0.05248).margin(5e-6));
    CHECK(best_effort(10).collision == Approx(0.3844).margin(5e-5));
    CHECK(best_effort(30).attempt == Approx(0.02589).margin(5e-6));
    CHECK(best_effort(30).collision == Approx(0.5327).margin(5e-5));
    const SaturatedAttempts voice = saturated_attempts(10, backoff(AccessCategory::voice));
    CHECK(voice.attempt == Approx(0.23182).margin(5e-6));
    CHECK(voice.collision == Approx(0.9069).margin(5e-5));
    // where the formula has its hole
    CHECK(attempt_chance(0.5, {16, 6}) == Approx(2 / (17 + 16 * 6 / 2.0)));
}

TEST_CASE("the throughput of the paper's own example") {
    const Backoff paper{32, 3};
    const SaturatedTimes basic{50, 8982, 8713, 8184}, protected_{50, 9568, 417, 8184};
    CHECK(saturated_share(5, paper, basic) == Approx(check_value("q.1")).margin(1e-4));
    CHECK(saturated_share(10, paper, basic) == Approx(check_value("q.2")).margin(1e-4));
    CHECK(saturated_share(20, paper, basic) == Approx(check_value("q.3")).margin(1e-4));
    CHECK(saturated_share(50, paper, basic) == Approx(check_value("q.4")).margin(1e-4));
    CHECK(saturated_attempts(10, paper).attempt == Approx(check_value("q.5")).margin(1e-5));
    CHECK(saturated_attempts(10, paper).collision == Approx(check_value("q.6")).margin(1e-4));
    CHECK(saturated_share(50, paper, protected_) == Approx(check_value("q.7")).margin(1e-4));
}

TEST_CASE("what a TXOP costs by the MPDUs in it") {
    FrameWish wish;
    wish.form = {Standard::ax, 20, 1, 7, 0.8};
    const FrameCost c = frame_cost(wish);
    CHECK(c.most == 37);
    CHECK(c.txop_us(1) == Approx(248.8));
    CHECK(c.txop_us(37) == Approx(5471.2));
    CHECK(c.txop_us(2.5) == Approx((c.txop_us(2) + c.txop_us(3)) / 2));

    // a voice frame with its ACK: SIFS, AIFS and the mean backoff on top give the check value
    FrameWish voice;
    voice.form = {Standard::ax, 20, 1, 4, 0.8};
    voice.msdu_bytes = 186;  // 240 octets of PSDU
    voice.aggregates = false;
    const FrameCost call = frame_cost(voice);
    CHECK(call.most == 1);
    CHECK(call.txop_us(1) + sifs_us(band_5) + 2 * slot_us + 1.5 * slot_us ==
          Approx(check_value("d.1")).margin(0.1));

    const FrameCost half = mixed(c, c, 0.5);
    CHECK(half == c);
}

TEST_CASE("a queue that is not always full waits for packets") {
    OneQueue q;
    q.per_s = 2000;
    q.idle_share = 0.10;
    q.most_txops = 1481.5;
    q.rivals_per_s = 1500;
    q.rival_s = 1.5e-3;
    FrameWish wish;
    wish.form = {Standard::ax, 20, 1, 7, 0.8};
    const FrameCost c = frame_cost(wish);
    q.one_s = c.txop_us(1) * 1e-6;
    q.now_s = c.txop_us(3) * 1e-6;
    const OneQueueServed s = serve_one(q);
    CHECK(s.empty == Approx(0.3804).margin(5e-5));
    CHECK(1e6 * s.until_next_s == Approx(111.0).margin(0.1));
    CHECK(s.txops_per_s == Approx(560.1).margin(0.1));

    const double gap_s = std::exp(-100 * q.one_s) / 100;
    const std::vector<ReceiverGap> ten{{gap_s, 10}};
    const double wait_s = wait_of_many_s(ten, 800);
    CHECK(1e3 * wait_s == Approx(5.125).margin(1e-3));
    CHECK(10 / (gap_s + wait_s) == Approx(672.1).margin(0.1));
    CHECK(100 * (gap_s + wait_s) == Approx(1.488).margin(1e-3));
    // ten receivers one by one are the same
    CHECK(wait_of_many_s(std::vector<ReceiverGap>(10, {gap_s, 1}), 800) == Approx(wait_s));
}

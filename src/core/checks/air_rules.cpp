// SPDX-License-Identifier: GPL-3.0-or-later
// The rules of the air: what each is about and from where on it finds something.
#include "checks/collector.h"

namespace yemvo {

std::span<const RuleInfo> air_rules() {
    static constexpr RuleInfo list[] = {
        {Rule::no_country_data, "no-country-data", mark("Country without data"),
         mark("What it permits is not known: channels and powers are not checked, and none is barred.")},
        {Rule::channel_barred, "channel-barred", mark("Channel that the country bars"),
         mark("An access point refuses to work there, or breaks the law.")},
        {Rule::eirp_over, "eirp-over", mark("More EIRP than permitted"),
         mark("An access point lowers it by itself, and covers less than the map shows, or breaks the law."),
         RuleLimit{0, 0, 20, 1, "dB", mark("Over what is permitted, at most")}},
        {Rule::wide_24, "wide-24", mark("Wide channel at 2.4 GHz"),
         mark("It takes two of the three channels that keep clear of each other, from everybody in reach."),
         RuleLimit{20, 20, 40, 0, "MHz", mark("Widest channel at 2.4 GHz")}},
        {Rule::odd_24, "odd-24", mark("Odd channel at 2.4 GHz"),
         mark("It lies across two of the channels that others use: it disturbs both, and neither waits for "
              "it.")},
        {Rule::long_radar_wait, "long-radar-wait", mark("Channel of weather radars"),
         mark("After each start and each false alarm the radio is silent for that long."),
         RuleLimit{60, 0, 3600, 0, "s", mark("Longest wait before sending")}},
        {Rule::radar_seen, "radar-seen", mark("Radar was seen on the channel"),
         mark("The radio has to leave it again, with all its clients.")},
        {Rule::all_dfs, "all-dfs", mark("All 5 GHz radios of a floor may be silenced"),
         mark(
             "One radar takes 5 GHz from the whole floor, and clients that do not look there never find it."),
         RuleLimit{2, 1, 100, 0, "", mark("From so many radios on a floor")}},
        {Rule::not_scanned, "not-scanned", mark("6 GHz channel that clients do not look at"),
         mark("Clients look for access points on every fourth channel; elsewhere they find one slowly, or "
              "only "
              "through its 5 GHz radio.")},
        {Rule::slow_lowest_rate, "slow-lowest-rate", mark("Lowest rate too low"),
         mark("Beacons and far clients take the air of many others at such a rate."),
         RuleLimit{6, 1, 54, 0, "Mbit/s", mark("Lowest rate, at least")}},
        {Rule::equal_powers, "equal-powers", mark("2.4 GHz as loud as 5 GHz"),
         mark("It reaches farther at the same power, so clients stay on it."),
         RuleLimit{3, 0, 20, 0, "dB", mark("2.4 GHz below 5 GHz, at least")}},
        {Rule::way_back_weak, "way-back-weak", mark("Way back weaker than way out"),
         mark("Clients see a strong signal and join where the access point hardly hears them."),
         RuleLimit{9, 0, 40, 0, "dB", mark("Way back weaker, at most")}},
        {Rule::left_automatic, "left-automatic", mark("Setting left to an automatic"),
         mark("A controller chooses for itself and sets other than the plan says.")},
        {Rule::air_lost, "air-lost", mark("Air lost to another radio"),
         mark("Both hear each other on one channel and take turns."),
         RuleLimit{10, 0, 100, 0, "%", mark("Air lost to one other radio, at most")}},
        {Rule::partly_over, "partly-over", mark("Channels overlap partly"),
         mark("Neither waits for the other: frames are lost and sent again."),
         RuleLimit{1, 0, 100, 1, "%", mark("Air lost to an overlapping radio, at most")}},
        {Rule::channel_full, "channel-full", mark("Channel too full"),
         mark("Waiting grows steeply from there on, and nothing is left for a worse day."),
         RuleLimit{70, 0, 100, 0, "%", mark("Air in use as a radio hears it, at most")}},
        {Rule::too_loud, "too-loud", mark("Access points too loud at each other"),
         mark("They hang too close or send too loud: one of them could be quieter, or go."),
         RuleLimit{-50, -100, 0, 0, "dBm", mark("Level at another on the same channel, at most")}},
        {Rule::wide_for_heard, "wide-for-heard", mark("Wider than the radios heard allow"),
         mark("Half as wide it would meet half as many, and carry more than the width gains."),
         RuleLimit{2, 0, 50, 0, "", mark("Radios heard on a wide channel, at most")}},
        {Rule::clients_talk, "clients-talk", mark("Where clients talk to each other"),
         mark("Screens, speakers and files are shared there directly, at any time and at full power.")},
        {Rule::spill, "spill", mark("Too loud beyond the property"),
         mark("It takes air from neighbours, and reaches people who are not to be reached."),
         RuleLimit{-70, -120, 0, 0, "dBm", mark("Level in a zone outside the property, at most")}},
        {Rule::needless_24, "needless-24", mark("2.4 GHz on where others serve already"),
         mark("Three channels are all there is: each radio more takes air from the others."),
         RuleLimit{-60, -100, 0, 0, "dBm", mark("Two others on 2.4 GHz heard from")}},
        {Rule::legacy_unserved, "legacy-unserved", mark("Clients without their band"),
         mark("They know no other band, and nothing near sends on it.")},
        {Rule::heard_otherwise, "heard-otherwise", mark("Radio set otherwise than planned"),
         mark("What hangs there does not do what the plan says: the map is of another network."),
         RuleLimit{2, 0, 20, 0, "dB", mark("Power off by, at most")}},
        {Rule::use_measured, "use-measured", mark("Air measured as too full"),
         mark("A capture heard this radio's channel in use for longer than the plan may count on."),
         RuleLimit{50, 0, 100, 0, "%", mark("Air in use as measured, at most")}},
        {Rule::retries_measured, "retries-measured", mark("Too many retries measured"),
         mark("Frames are lost to noise, overlap or distance, and go out again."),
         RuleLimit{10, 0, 100, 0, "%", mark("Frames sent again, at most")}},
    };
    static_assert(std::size(list) == rule_count - static_cast<std::size_t>(Rule::no_country_data));
    return list;
}

}  // namespace yemvo

// SPDX-License-Identifier: GPL-3.0-or-later
#include "gear/rate_story.h"

#include <algorithm>

namespace yemvo {
namespace {

Said standard_words(Standard s) { return say("802.11%1", std::string(standard_name(s))); }

RateStory nothing(Said why) { return {0, say("no rate"), {std::move(why)}}; }

Said about_standard(Standard used, Standard of_radio, Standard of_client, BandId id) {
    const Said both = standard_words(used);
    if (of_radio == of_client && used == of_radio) return say("%1: both know it", both);
    if (used == std::min(of_radio, of_client))
        return used == of_client ? say("%1: the client knows nothing newer", both)
                                 : say("%1: the radio knows nothing newer", both);
    return say("%1: what both know is not made for %2 GHz", both, band(id).name);
}

Said about_width(int used, int working, int channel, int of_client) {
    const int common = std::min(working, of_client);
    if (used < common) return say("%1 MHz: wider than that holds no higher rate at this level", used);
    if (working < channel && working <= of_client)
        return say("%1 MHz: the radio has fallen back from %2 MHz", used, channel);
    if (of_client < working)
        return say("%1 MHz: the client's widest in this band; the radio works with %2 MHz", used, working);
    if (working < of_client)
        return say("%1 MHz: the radio's channel; the client could use %2 MHz", used, of_client);
    return say("%1 MHz: the radio's channel, and the client's widest", used);
}

Said about_streams(int used, int of_radio, int of_client, int of_standard) {
    const Said many = say_counted("%n stream", "%n streams", used);
    if (used < std::min({of_radio, of_client, of_standard}))
        return say("%1: more hold no higher rate at this level", many);
    if (of_client < of_radio) return say("%1: the client's; the radio has %2", many, of_radio);
    if (of_radio < of_client) return say("%1: the radio's; the client has %2", many, of_client);
    return say("%1: as many as both have", many);
}

Said about_level(const RateLadder& ladder, const RateLadder::Step& step, double received_dbm) {
    const Said holds =
        say("MCS %1: holds from %2 dBm, %3 dB below what is received", step.form.mcs,
            said_figure(step.received_dbm, 1), said_figure(received_dbm - step.received_dbm, 1));
    const auto next = std::ranges::find_if(
        ladder.steps(), [&](const RateLadder::Step& s) { return s.received_dbm > step.received_dbm; });
    if (next == ladder.steps().end()) return say("%1; there is no higher rate", holds);
    return say("%1; the next, %2 Mbit/s, from %3 dBm", holds, said_figure(next->mbps, 0),
               said_figure(next->received_dbm, 1));
}

}  // namespace

RateStory rate_story(const RadioAbility& radio, const Channel& channel, int working_mhz,
                     const ClientProfile& client, double received_dbm, double noise_figure_db) {
    const auto its = find_standard(client.standard);
    if (!radio.standard || !its) return nothing(say("the standard of one of both is not known"));
    const int of_client = client.widest(radio.band);
    if (of_client <= 0) return nothing(say("the client does not know %1 GHz", band(radio.band).name));
    Channel working = channel;
    working.width_mhz = working_mhz;
    const RateLadder ladder(radio, working, client, noise_figure_db);
    if (ladder.steps().empty())
        return nothing(say("both have no standard for %1 GHz in common", band(radio.band).name));
    const RateLadder::Step* step = ladder.step(received_dbm);
    if (!step)
        return nothing(say("the lowest rate, %1 Mbit/s, holds from %2 dBm only",
                           said_figure(ladder.steps().front().mbps, 1), said_figure(ladder.least_dbm(), 1)));
    const FrameForm& f = step->form;
    RateStory story;
    story.mbps = step->mbps;
    story.form = say("MCS %1, %2, %3 MHz, %4", f.mcs, say_counted("%n stream", "%n streams", f.streams),
                     f.width_mhz, standard_words(f.standard));
    story.because = {about_standard(f.standard, *radio.standard, *its, radio.band),
                     about_width(f.width_mhz, working_mhz, channel.width_mhz, of_client),
                     about_streams(f.streams, radio.streams, client.streams, most_streams(f.standard)),
                     about_level(ladder, *step, received_dbm)};
    return story;
}

}  // namespace yemvo

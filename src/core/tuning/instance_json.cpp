// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <map>
#include <nlohmann/json.hpp>
#include <set>

#include "project/json_reader.h"
#include "tuning/instance.h"

namespace yemvo {
namespace {

constexpr std::size_t most_radios = 10'000, most_settings = 2000, most_pairs = 2'000'000;

double at_least_0(const Reader& r) {
    const double v = r.number();
    if (v < 0) r.fail(say("must not be below 0"));
    return v;
}

TunedSetting read_setting(const Reader& r, BandId band) {
    TunedSetting s;
    s.channel = {band, r.at("channel").integer(), 20};
    if (const auto width = r.find("width_mhz")) s.channel.width_mhz = width->integer();
    if (!is_valid(s.channel)) r.fail(say("is no channel of that band and width"));
    const std::vector<int> inside = primaries(s.channel);
    s.primary = inside.front();
    if (const auto primary = r.find("primary")) {
        s.primary = primary->integer();
        if (std::ranges::count(inside, s.primary) == 0) primary->fail(say("lies outside the channel"));
    }
    if (const auto power = r.find("power_dbm")) s.power_dbm = power->number();
    if (const auto cost = r.find("cost")) s.cost = at_least_0(*cost);
    if (const auto air = r.find("air")) s.air = at_least_0(*air);
    return s;
}

TunedRadio read_tuned_radio(const Reader& r) {
    TunedRadio out;
    out.name = r.at("radio").text(limits::name);
    BandId band = band_5;
    if (const auto of = r.find("band_ghz"))
        band = of->value().is_number() ? of->value().get<double>() == 2.4 ? band_24
                                         : of->value().get<double>() == 6 ? band_6
                                                                          : band_5
                                       : of->word(find_band);
    const Reader allowed = r.at("allowed");
    for (const Reader& s : allowed.items(most_settings)) out.allowed.push_back(read_setting(s, band));
    if (out.allowed.empty()) allowed.fail(say("must not be empty"));
    if (const auto now = r.find("now")) {
        out.now = now->integer();
        if (out.now < 0 || out.now >= static_cast<int>(out.allowed.size()))
            now->fail(say("must be an index into 'allowed'"));
    }
    if (const auto locked = r.find("locked")) out.locked = locked->boolean();
    if (out.locked && out.now < 0) r.fail(say("is locked, so it needs 'now'"));
    if (const auto weight = r.find("weight")) out.weight = at_least_0(*weight);
    return out;
}

TunedPair read_pair(const Reader& r, const std::map<std::string, std::uint32_t>& named) {
    const auto radio = [&](const char* key) {
        const Reader at = r.at(key);
        const auto found = named.find(at.text(limits::name));
        if (found == named.end()) at.fail(say("does not know '%1'", at.text(limits::name).substr(0, 60)));
        return found->second;
    };
    TunedPair p{radio("a"), radio("b"), 1, {}, {}};
    if (p.a == p.b) r.fail(say("is a radio with itself"));
    if (const auto weight = r.find("weight")) p.weight = at_least_0(*weight);
    if (const auto loss = r.find("loss_db")) p.loss_ab_db = p.loss_ba_db = loss->number();
    if (const auto loss = r.find("loss_back_db")) p.loss_ba_db = loss->number();
    return p;
}

}  // namespace

RetuneInstance read_instance(std::string_view text) {
    Json json;
    try {
        json = Json::parse(text);
    } catch (const Json::exception&) {
        throw Error(say("it is not JSON"), say("instance"),
                    say("docs/format/retune-instance.md says what it holds"));
    }
    const Reader r(json, "instance: ");
    RetuneInstance out;
    if (const auto heard = r.find("heard_dbm")) out.heard_dbm = heard->number();
    if (const auto cost = r.find("change_cost")) out.change_cost = at_least_0(*cost);
    const Reader radios = r.at("radios");
    std::map<std::string, std::uint32_t> named;
    for (const Reader& one : radios.items(most_radios)) {
        out.radios.push_back(read_tuned_radio(one));
        if (!named.try_emplace(out.radios.back().name, static_cast<std::uint32_t>(out.radios.size() - 1))
                 .second)
            one.fail(say("names '%1' twice", out.radios.back().name));
    }
    if (const auto pairs = r.find("pairs")) {
        std::set<std::pair<std::uint32_t, std::uint32_t>> seen;
        for (const Reader& one : pairs->items(most_pairs)) {
            const TunedPair p = read_pair(one, named);
            if (!seen.insert(std::minmax(p.a, p.b)).second) one.fail(say("is there twice"));
            out.pairs.push_back(p);
        }
    }
    return out;
}

}  // namespace yemvo

// SPDX-License-Identifier: GPL-3.0-or-later
// propose: where access points go.
#include <CLI/CLI.hpp>
#include <memory>

#include "cabling/cable_reach.h"
#include "cli/command_set.h"
#include "cli/json_out.h"
#include "project/storage.h"
#include "proposal/propose.h"

namespace yemvo::cli {
namespace {

struct ProposeWish {
    std::string file, out, candidates, goal = "count";
    std::vector<std::string> floors, models, bands;
    std::uint64_t seed = 1;
    double seconds = 60, pitch_m = 4;
    std::vector<std::string> zones;
    std::vector<int> locked;  ///< numbers
    double reach_m = 0;       ///< 0: all may move or go
    bool keep = false, survives_one = false, cabled = false;
};

ModelId named_model(const Project& project, const std::string& key) {
    std::string keys;
    for (const AccessPointModel& m : *project.models) {
        if (m.key == key) return m.id;
        keys += (keys.empty() ? "" : ", ") + m.key;
    }
    throw Error(say("there is no model '%1'", key), say("--model"), say("The project has %1", keys));
}

ZoneId named_zone(const Project& project, const std::string& name) {
    for (const Floor* f : all_floors(project))
        for (const Zone& z : *f->zones)
            if (z.name == name) return z.id;
    throw Error(say("there is no zone '%1'", name), say("--zone"));
}

ProposalAsk ask_of(const Project& project, const ProposeWish& wish) {
    ProposalAsk ask;
    for (const std::string& name : wish.floors) ask.floors.push_back(named_floor(project, name).id);
    for (const std::string& key : wish.models) ask.models.push_back(named_model(project, key));
    if (!wish.bands.empty()) {
        ask.bands = {};
        for (const std::string& name : wish.bands) ask.bands = ask.bands.with(*find_band(name));
    }
    for (const ProposalGoal goal : {ProposalGoal::count, ProposalGoal::price, ProposalGoal::watts})
        if (wish.goal == proposal_goal_name(goal)) ask.goal = goal;
    ask.seed = wish.seed;
    ask.seconds = wish.seconds;
    ask.pitch_m = wish.pitch_m;
    ask.keep = wish.keep;
    for (const std::string& name : wish.zones) ask.zones.push_back(named_zone(project, name));
    for (const PlacedAccessPoint& placed : placed_access_points(project)) {
        if (std::ranges::count(wish.locked, placed.access_point->number) > 0)
            ask.locked.push_back(placed.access_point->id);
        else if (wish.reach_m > 0)
            ask.reach_m[placed.access_point->id] = wish.reach_m;
    }
    ask.survives_one = wish.survives_one;
    if (wish.cabled) ask.cabled = std::make_shared<const CableReach>(project);
    return ask;
}

Json moves_json(const Project& project, const Proposal& p) {
    Json out = Json::array();
    for (const ProposalMove& m : p.plan.moves)
        out.push_back({{"kind", move_kind_name(m.kind)},
                       {"number", m.number},
                       {"floor", find_floor(project, m.floor)->name},
                       {"model", model(project, m.model).key},
                       {"from", {rounded(m.from.x, 2), rounded(m.from.y, 2)}},
                       {"to", {rounded(m.to.x, 2), rounded(m.to.y, 2)}}});
    return out;
}

Json ruling_json(const Project& project, const Proposal& p) {
    Json out = Json::array();
    for (const Proposal::Ruling& r : p.ruling) {
        const Requirement& what = *find_requirement(project, r.subject.requirement);
        out.push_back({{"floor", find_floor(project, r.subject.floor)->name},
                       {"lens", what.lens},
                       {"band_ghz", r.subject.band ? Json(band_ghz(*r.subject.band)) : bands_ghz(what.bands)},
                       {"part", rounded(r.part, 3)}});
    }
    return out;
}

Json proposal_json(const Project& project, const Proposal& p) {
    Json notes = Json::array(), grids = Json::array();
    for (const auto& [floor, cell_m] : p.cell_m)
        grids.push_back({{"floor", find_floor(project, floor)->name}, {"cell_m", cell_m}});
    for (const Said& s : p.notes) notes.push_back(s.english());
    return {{"access_points", p.access_points},
            {"access_points_before", p.access_points_before},
            {"cost", rounded(p.cost, 2)},
            {"lower_bound", rounded(p.lower_bound, 2)},
            {"bound_is_exact", p.bound_is_exact},
            {"gap", rounded(p.gap(), 4)},
            {"seconds", rounded(p.seconds, 2)},
            {"stopped", p.stopped},
            {"candidates", p.candidates},
            {"grids", grids},
            {"ruling", ruling_json(project, p)},
            {"notes", notes},
            {"verdict", to_json(p.plan.project, p.verdict)},
            {"moves", moves_json(project, p)}};
}

void print_text(Context& context, const Project& project, const Proposal& p) {
    char line[200];
    std::snprintf(line, sizeof line,
                  "%zu access points (%zu now), %s %.0f, at least %.0f, gap %.1f %%, %d requirements not met "
                  "(%d now)\n",
                  p.access_points, p.access_points_before, std::string(proposal_goal_name(p.goal)).c_str(),
                  p.cost, p.lower_bound, 100 * p.gap(), p.verdict.not_met(), p.before.not_met());
    context.out << line;
    for (const ProposalMove& m : p.plan.moves) {
        std::snprintf(line, sizeof line, "  %3d  %-8s %-24s %7.2f %7.2f  %s\n", m.number,
                      std::string(move_kind_name(m.kind)).c_str(), find_floor(project, m.floor)->name.c_str(),
                      m.to.x, m.to.y, model(project, m.model).key.c_str());
        context.out << line;
    }
    for (const Said& s : p.notes) context.out << s << "\n";
}

int run_propose(Context& context, const ProposeWish& wish) {
    const Project project = load(context, wish.file);
    const ProposalAsk ask = ask_of(project, wish);
    Predictor predictor;
    const auto stand = [&](const ProposalStand& s) {
        Json json{{"seconds", rounded(s.seconds, 2)},
                  {"access_points", s.access_points},
                  {"lower_bound", rounded(s.lower_bound, 2)},
                  {"short_m2", rounded(s.short_m2, 1)}};
        if (s.judged) json["not_met"] = s.failing;
        context.err << json.dump() << std::endl;
    };
    if (!wish.candidates.empty()) {
        const SiteCover cover =
            site_cover(project, predictor, ask, grid_for(floors_asked(project, ask).size()));
        Project all = with_candidates(project, cover.candidates);
        // ids of their own, beside those of all else
        for (Variant& v : all.variants)
            if (v.id == all.variant)
                for (auto& [floor, list] : v.access_points)
                    for (AccessPoint& ap : list.edit()) ap.id = AccessPointId{all.next_id++};
        save_project(all, wish.candidates);
    }
    const Proposal found = propose(project, predictor, ask, {}, {}, stand);
    if (!wish.out.empty()) save_project(found.plan.project, wish.out);
    if (context.json)
        print(context, proposal_json(project, found));
    else
        print_text(context, project, found);
    return done;
}

}  // namespace

void add_proposal_command(CLI::App& root, Context& context) {
    const auto wish = std::make_shared<ProposeWish>();
    CLI::App* command = add_command(root, context, "propose",
                                    "Where access points go, as few as can be, and how good that is",
                                    "propose library.yemvo --seconds 60 --seed 1 --out proposed.yemvo --json",
                                    [&context, wish] { return run_propose(context, *wish); });
    command->add_option("FILE", wish->file, "A project (.yemvo)")->required();
    command->add_option("--floor", wish->floors, "These floors; all without it");
    command->add_option("--model", wish->models, "Keys of models that may be taken; without it those in use");
    command->add_option("--band", wish->bands, "Radios of these bands; all without it")
        ->check(CLI::IsMember(band_names()));
    command->add_option("--goal", wish->goal, "What is to be least")
        ->check(CLI::IsMember({"count", "price", "watts"}));
    command->add_option("--seconds", wish->seconds, "At most")->check(CLI::Range(1.0, 86400.0));
    command->add_option("--seed", wish->seed, "Same seed, same plan");
    command->add_option("--pitch", wish->pitch_m, "Between candidate places of a room [m], about")
        ->check(CLI::Range(1.0, 50.0));
    command->add_option("--zone", wish->zones,
                        "These zones alone: they are asked about, new ones hang in them");
    command->add_option("--lock", wish->locked, "Numbers of access points that stay where they hang");
    command->add_option("--reach", wish->reach_m, "All that hangs now stays, each within so many metres")
        ->check(CLI::Range(0.1, 100.0));
    command->add_flag("--keep", wish->keep, "All that hangs now stays where it is");
    command->add_flag("--cabled", wish->cabled,
                      "They hang only where a cable reaches a closet within its limits");
    command->add_flag("--survive", wish->survives_one, "Levels hold with any one access point gone");
    command->add_option("--out", wish->out, "Where the project with the proposal is written");
    command->add_option("--candidates", wish->candidates,
                        "Where the project with every candidate hung is written, to look at them one by one");
}

}  // namespace yemvo::cli

// SPDX-License-Identifier: GPL-3.0-or-later
// The verdict and what was required; what the plan assumes.
#include "coverage/lens_map.h"
#include "project/gear_sum.h"
#include "project/short_title.h"
#include "render/report/sections.h"
#include "render/report/table_of.h"
#include "render/requirement_words.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report::section {
namespace {

QString floor_name(const ReportFacts& facts, FloorId id) {
    return QString::fromStdString(short_title(facts.project(), *find_floor(facts.project(), id)));
}

TableBlock requirement_table(const ReportFacts& facts) {
    TableBlock t{{{tr("Requirement"), 34, false},
                  {tr("Limit"), 18, false},
                  {tr("On at least"), 12, true},
                  {tr("Reached"), 12, true},
                  {tr("Worst"), 30, false}},
                 {},
                 false};
    for (const RequirementResult& r : facts.plan.verdict.requirements) {
        const Outcome o = r.asks() ? outcome(r.share_met(), r.requirement.share_required) : Outcome::met;
        const auto id = find_lens(r.requirement.lens);
        QString worst;
        if (r.site.worst && id && !r.floors.empty()) {
            const auto hardest = std::ranges::min_element(
                r.floors, {}, [&](const PlaceResult& p) { return p.asked > 0 ? r.share_met(p) : 1.0; });
            if (hardest->asked > 0 && r.share_met(*hardest) < 0.9995)
                worst =
                    tr("%1 on %2")
                        .arg(share_figure(r.share_met(*hardest)) + " %", floor_name(facts, hardest->floor));
        }
        t.rows.push_back(
            {{said_text(requirement_name(r.requirement))},
             {limit_words(r.requirement)},
             {percent(r.requirement.share_required, 0)},
             r.asks() ? TableBlock::Cell{percent(r.share_met()), o} : TableBlock::Cell{tr("nothing asked")},
             {worst}});
    }
    if (const auto& uplink = facts.plan.verdict.uplink)
        t.rows.push_back({{tr("Uplink in use")},
                          {QStringLiteral("≤ ") + percent(uplink->allowed, 0)},
                          {},
                          {percent(uplink->share()), uplink->met() ? Outcome::met : Outcome::not_met},
                          {}});
    return t;
}

TableBlock floors_table(const ReportFacts& facts) {
    const Verdict& v = facts.plan.verdict;
    TableBlock t{{{tr("Floor"), 30, false}}, {}, false};
    for (const BandResult& b : v.bands)
        t.columns.push_back({tr("%1 GHz (%)").arg(QString::fromStdString(band(b.band).name)), 12, true});
    t.columns.push_back({tr("Access points"), 12, true});
    t.columns.push_back({tr("Radios on"), 12, true});
    for (const Floor* f : all_floors(facts.project())) {
        std::vector<TableBlock::Cell> row{{floor_name(facts, f->id)}};
        for (const BandResult& b : v.bands) {
            const auto found = std::ranges::find(b.floors, f->id, &FloorArea::floor);
            row.push_back(found == b.floors.end() || found->demanded_m2 <= 0
                              ? TableBlock::Cell{QStringLiteral("–")}
                              : TableBlock::Cell{share_figure(found->share_met()),
                                                 outcome(found->share_met(), b.share_required)});
        }
        const GearSum sum = gear_sum(facts.project(), f->id);
        row.push_back({QString::number(sum.access_points)});
        row.push_back({QString::number(sum.radios)});
        t.rows.push_back(std::move(row));
    }
    return t;
}

TileBlock tiles(const ReportFacts& facts) {
    const Verdict& v = facts.plan.verdict;
    TileBlock block;
    const auto asked = std::ranges::count_if(v.requirements, &RequirementResult::asks) + (v.uplink ? 1 : 0);
    if (asked > 0)
        block.tiles.push_back({tr("%1 of %2").arg(asked - v.not_met()).arg(asked), tr("requirements met"),
                               v.met() ? Outcome::met : Outcome::not_met});
    const GearSum sum = gear_sum(facts.project());
    block.tiles.push_back(
        {QString::number(sum.access_points), tr("access points, %1 radios on").arg(sum.radios)});
    for (const BandResult& b : v.bands)
        block.tiles.push_back({percent(b.share_met()),
                               tr("of the area at %1 GHz").arg(QString::fromStdString(band(b.band).name)),
                               outcome(b.share_met(), b.share_required)});
    return block;
}

QString verdict_words(const ReportFacts& facts) {
    const Verdict& v = facts.plan.verdict;
    if (const Said lacks = lacks_to_judge(facts.project(), v); !lacks.empty())
        return tr("No verdict: %1").arg(said_text(lacks));
    if (v.met()) return tr("The plan meets every requirement.");
    return counted("The plan does not meet %n of its requirements.",
                   "The plan does not meet %n of its requirements.", v.not_met());
}

QString loss_text(const WallType& type, BandId b) {
    return figure(loss_db(type, band(b).reference_mhz / 1000), 1);
}

TableBlock type_table(const ReportFacts& facts) {
    TableBlock t{{{tr("Type"), 34, false},
                  {tr("Loss at 2.4 GHz (dB)"), 12, true},
                  {tr("5 GHz (dB)"), 10, true},
                  {tr("6 GHz (dB)"), 10, true},
                  {tr("From"), 34, false}},
                 {},
                 false};
    for (const WallType& type : *facts.project().wall_types) {
        if (uses_of_type(facts.project(), type.id).empty()) continue;
        const QString unit = type.use == TypeUse::obstacle ? tr(" a metre") : QString();
        t.rows.push_back({{QString::fromStdString(type.name) + unit},
                          {loss_text(type, band_24)},
                          {loss_text(type, band_5)},
                          {loss_text(type, band_6)},
                          {QString::fromStdString(type.source)}});
    }
    return t;
}

}  // namespace

std::vector<Part> summary(const ReportFacts& facts) {
    Part part{tr("Summary"), {TextBlock{TextLook::lead, verdict_words(facts)}, tiles(facts)}, true};
    if (!facts.plan.verdict.requirements.empty()) {
        part.text(TextLook::heading, tr("What was required, and what is reached"));
        part.table(requirement_table(facts));
        part.blocks.push_back(TextBlock{
            TextLook::small, tr("Shares are rounded down. A place counts as met where the limit holds; "
                                "clients and radios are counted at their worst busy hour.")});
    }
    part.text(TextLook::heading, tr("Floor by floor"));
    part.table(floors_table(facts));
    part.blocks.push_back(TextBlock{
        TextLook::small, tr("Share of the demanded area in which every requirement of the band holds.")});
    return {part};
}

std::vector<Part> assumptions(const ReportFacts& facts) {
    const Project& project = facts.project();
    const SiteSettings& s = project.settings;
    const ClientProfile& c = client(project, s.client);
    Part part{tr("Assumptions"), {}};
    std::vector<std::pair<QString, QString>> general{
        {tr("Rules of"), QString::fromStdString(s.country)},
        {tr("Client"), QString::fromStdString(c.name)},
        {tr("Height of clients"), local(format_length(s.client_height_m, s.units))},
        {tr("Noise figure of clients"), tr("%1 dB").arg(figure(s.client_noise_figure_db, 1))},
        {tr("A radio defers to others from"), tr("%1 dBm").arg(figure(s.heard_dbm))},
        {tr("Judged every"), tr("%1 m").arg(figure(s.grid_m, 2))}};
    QStringList hours;
    for (const BusyHour& h : project.demand.hours) hours << QString::fromStdString(h.name);
    general.push_back({tr("Busy hours"), hours.join(", ")});
    part.table(pairs_table(general));
    part.text(TextLook::heading, tr("How good the prediction is"));
    part.blocks.push_back(TextBlock{
        TextLook::body, tr("Every link is traced through the walls, doors, windows, slabs and obstacles in "
                           "its way. Where nothing "
                           "stands in the way a predicted level is off by %1 dB (standard deviation), behind "
                           "walls by %2 dB and by "
                           "what the walls themselves may be off. Only a measurement on site tells the rest.")
                            .arg(figure(total_deviation_db(0), 0), figure(5, 0))});
    part.text(TextLook::heading, tr("What things are made of"));
    part.table(type_table(facts));
    part.text(TextLook::heading, tr("Cables"));
    const CablingBook& cabling = project.cabling;
    part.blocks.push_back(TextBlock{
        TextLook::body,
        tr("Lengths are ways along trays, corridors and risers with drops at both ends, and %1 % and %2 m "
           "more. Cords "
           "at both ends have %3 m. A link may have %4 m, a channel %5 m (ISO/IEC 11801-1).")
            .arg(figure(100 * cabling.slack_share), figure(cabling.slack_m, 1), figure(cabling.cords_m, 1),
                 figure(cabling.most_link_m), figure(cabling.most_channel_m))});
    return {part};
}

}  // namespace yemvo::render::report::section

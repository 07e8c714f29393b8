// SPDX-License-Identifier: GPL-3.0-or-later
// What a report has as tables: radios, spectrum, capacity, findings, cables, the bill.
#include "handover/tables.h"
#include "project/working_radio.h"
#include "render/report/sections.h"
#include "render/report/styles.h"
#include "render/report/table_of.h"
#include "render/spectrum_board.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::render::report::section {
namespace {

std::vector<Part> one(const QString& title, std::vector<Block> blocks) {
    return {Part{title, std::move(blocks)}};
}

Board board_of(const ReportFacts& facts) {
    const Project& project = facts.project();
    Board board;
    board.country = project.settings.country;
    board.bands = {};
    const HourCapacity* hour = facts.plan.capacity ? facts.plan.capacity->find(project.demand.hour) : nullptr;
    board.by_use = hour != nullptr;
    for (const RadioAt& at : radios_at_work(project)) {
        const AccessPoint& ap = *at.placed.access_point;
        BoardBlock b;
        b.channel = at.set().channel;
        b.primary = at.set().primary;
        b.label = QString::number(ap.number);
        b.order = ap.number;
        b.open = at.set().channel_open;
        b.locked = at.set().locked;
        if (const RadioCapacity* r = hour ? hour->find(ap.id, at.radio) : nullptr) b.use = r->use;
        board.bands = board.bands.with(b.channel.band);
        board.blocks.push_back(std::move(b));
    }
    return board;
}

/// One band at a time, so that it fills the column's width.
std::vector<Block> board_figures(const ReportFacts& facts) {
    const Board all = board_of(facts);
    const double width = (paper_mm(facts.choice().paper).width()) * print_px_per_mm - 2 * margin_x;
    std::vector<Block> blocks;
    for (BandId b : all.bands.list()) {
        Board one = all;
        one.bands = b;
        std::erase_if(one.blocks, [&](const BoardBlock& block) { return block.channel.band != b; });
        constexpr double least = 240, most = 640;
        const double height = std::clamp(BoardLayout(one, QSizeF(width, least), 0).height(), least, most);
        blocks.push_back(
            TextBlock{TextLook::heading, tr("%1 GHz").arg(QString::fromStdString(band(b).name))});
        blocks.push_back(
            FigureBlock{QString(), height / print_px_per_mm, [one](QPainter& p, const QRectF& box) {
                            p.save();
                            p.translate(box.topLeft());
                            p.setClipRect(QRectF(QPointF(0, 0), box.size()));
                            paint_board(p, one, BoardLayout(one, box.size(), 0), print_palette());
                            p.restore();
                        }});
    }
    return blocks;
}

TileBlock hour_tiles(const HourCapacity& hour) {
    return {{{percent(hour.site.satisfied_share()),
              tr("of %1 clients satisfied").arg(figure(hour.site.clients)),
              {}},
             {figure(hour.site.asked_down_mbps), tr("Mbit/s asked for, down"), {}},
             {figure(hour.site.got_down_mbps), tr("Mbit/s carried, down"), {}}}};
}

}  // namespace

std::vector<Part> radios(const ReportFacts& facts) {
    const HandoverTable t = radio_table(facts.plan);
    if (t.rows.empty()) return {};
    return one(tr("Radio schedule"), {table_of(t, {"name", "floor", "band_ghz", "channel", "width_mhz",
                                                   "centre_mhz", "power_dbm", "eirp_dbm", "antenna"})});
}

std::vector<Part> spectrum(const ReportFacts& facts) {
    std::vector<Block> figures = board_figures(facts);
    if (figures.empty()) return {};
    std::vector<Block> blocks{
        TextBlock{TextLook::body, tr("A block is a radio on its channel, with the number of its access "
                                     "point. Blocks under each other share that spectrum.")}};
    for (Block& b : figures) blocks.push_back(std::move(b));
    return one(tr("Spectrum"), std::move(blocks));
}

std::vector<Part> capacity(const ReportFacts& facts) {
    if (!facts.plan.capacity) return {};
    const HandoverTable all = demand_by_zone(facts.plan);
    std::vector<Block> blocks;
    for (const HourCapacity& hour : facts.plan.capacity->hours) {
        const BusyHour* known = find_hour(facts.project().demand, hour.hour);
        HandoverTable of = all;
        const std::string name = known ? known->name : hour.hour;
        std::erase_if(of.rows, [&](const auto& row) { return !(std::get<Said>(row[0]) == name); });
        if (of.rows.empty()) continue;
        blocks.push_back(TextBlock{TextLook::heading, QString::fromStdString(name)});
        blocks.push_back(hour_tiles(hour));
        blocks.push_back(table_of(of, {"floor", "zone", "people", "clients", "asked_down_mbps",
                                       "carried_down_mbps", "satisfied_percent"}));
    }
    if (blocks.empty()) return {};
    return one(tr("Capacity"), std::move(blocks));
}

std::vector<Part> findings(const ReportFacts& facts) {
    const auto& all = facts.plan.findings;
    const auto open = std::ranges::count_if(all, [](const Finding& f) { return !f.waived; });
    std::vector<Block> blocks{
        TextBlock{TextLook::lead, all.empty() ? tr("The checks found nothing.")
                                              : tr("%1, %2 of them accepted.")
                                                    .arg(counted("%n finding", "%n findings", all.size()))
                                                    .arg(static_cast<qint64>(all.size()) - open)}};
    const HandoverTable whole = finding_table(facts.plan);
    HandoverTable unaccepted = whole, accepted = whole;
    const std::size_t waived = whole.column("accepted");
    const auto is_open = [&](const auto& row) { return std::holds_alternative<std::monostate>(row[waived]); };
    std::erase_if(unaccepted.rows, [&](const auto& row) { return !is_open(row); });
    std::erase_if(accepted.rows, is_open);
    if (!unaccepted.rows.empty()) {
        blocks.push_back(TextBlock{TextLook::heading, tr("Open")});
        blocks.push_back(table_of(unaccepted, {"rule", "floor", "what"}));
    }
    if (!accepted.rows.empty()) {
        blocks.push_back(TextBlock{TextLook::heading, tr("Accepted")});
        blocks.push_back(table_of(accepted, {"rule", "floor", "what", "accepted"}));
    }
    return one(tr("Findings"), std::move(blocks));
}

std::vector<Part> cables(const ReportFacts& facts) {
    if (facts.plan.cables.closets.empty()) return {};
    std::vector<Block> blocks{TextBlock{
        TextLook::lead, tr("%1, %2 m in all.")
                            .arg(counted("%n new cable", "%n new cables", facts.plan.cables.new_cables),
                                 figure(facts.plan.cables.cable_m))}};
    const HandoverTable switches = switch_table(facts.plan);
    if (!switches.rows.empty()) {
        blocks.push_back(TextBlock{TextLook::heading, tr("Closets and switches")});
        blocks.push_back(table_of(switches));
    }
    blocks.push_back(TextBlock{TextLook::heading, tr("Cable by cable")});
    blocks.push_back(table_of(cable_table(facts.plan), {"name", "floor", "closet", "switch", "port", "outlet",
                                                        "link_m", "new_m", "channel_m", "class", "port_w"}));
    return one(tr("Cables"), std::move(blocks));
}

std::vector<Part> bill(const ReportFacts& facts) {
    const HandoverTable t = bill_table(facts.plan);
    if (t.rows.empty()) return {};
    std::vector<Block> blocks{table_of(t)};
    if (t.sum(t.column("total")) > 0)
        blocks.push_back(TextBlock{
            TextLook::small, tr("Prices are those of the gear library; what has none is not in the sum.")});
    return one(tr("Bill of materials"), std::move(blocks));
}

}  // namespace yemvo::render::report::section

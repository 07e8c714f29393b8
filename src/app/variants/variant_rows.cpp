// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/variants/variant_rows.h"

#include <algorithm>
#include <cmath>
#include <functional>

#include "project/demand_place.h"
#include "project/project.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

using VariantResults = std::vector<std::shared_ptr<const VariantResult>>;

struct VariantFigure {
    QString name;
    std::function<std::optional<double>(const VariantResult&)> value;
    int decimals = 0;
    bool more_is_better = true;
    std::optional<double> required = {};
    bool is_share = false;  ///< in percent
};

std::vector<VariantFigure> gear_figures(const VariantResults& results) {
    std::vector<VariantFigure> out{
        {tr("Access points"), [](const VariantResult& v) { return double(v.gear.access_points); }, 0, false},
        {tr("Radios on"), [](const VariantResult& v) { return double(v.gear.radios); }, 0, false}};
    const auto any = [&](double GearSum::*sum) {
        return std::ranges::any_of(results, [&](const auto& r) { return r && r->gear.*sum > 0; });
    };
    if (any(&GearSum::price))
        out.push_back({tr("Price"), [](const VariantResult& v) { return v.gear.price; }, 0, false});
    if (any(&GearSum::watts))
        out.push_back({tr("Power drawn, W"), [](const VariantResult& v) { return v.gear.watts; }, 0, false});
    return out;
}

std::vector<VariantFigure> verdict_figures(const Project& project, const VariantResults& results) {
    std::vector<VariantFigure> out;
    out.push_back({tr("Requirements not met"),
                   [](const VariantResult& v) -> std::optional<double> {
                       if (!v.verdict) return {};
                       return double(v.verdict->not_met());
                   },
                   0, false, 0.0});
    for (const Band& b : bands()) {
        std::optional<double> required;
        for (const auto& r : results)
            if (const BandResult* found = r && r->verdict ? r->verdict->find(b.id) : nullptr)
                required = 100 * found->share_required;
        if (!required) continue;
        out.push_back({tr("%1 GHz, all that is asked, % of area").arg(render::local(b.name)),
                       [id = b.id](const VariantResult& v) -> std::optional<double> {
                           const BandResult* r = v.verdict ? v.verdict->find(id) : nullptr;
                           if (!r || r->demanded_m2 <= 0) return {};
                           return 100 * r->share_met();
                       },
                       1, true, required, true});
    }
    for (const RequirementSet& set : *project.requirement_sets)
        for (const Requirement& r : set.requirements) {
            if (!set.on) continue;
            out.push_back({said_text(requirement_name(r)) + ", %",
                           [id = r.id](const VariantResult& v) -> std::optional<double> {
                               const RequirementResult* found = v.verdict ? v.verdict->find(id) : nullptr;
                               if (!found || !found->asks()) return {};
                               return 100 * found->share_met();
                           },
                           1, true, 100 * r.share_required, true});
        }
    return out;
}

std::vector<VariantFigure> capacity_figures(const Project& project) {
    std::vector<VariantFigure> out;
    if (!has_demand(project)) return out;
    for (const BusyHour& hour : project.demand.hours) {
        const QString name = QString::fromStdString(hour.name);
        const auto of = [key = hour.key](auto value) {
            return [key, value](const VariantResult& v) -> std::optional<double> {
                const HourCapacity* h = v.capacity ? v.capacity->find(key) : nullptr;
                if (!h) return {};
                return value(*h);
            };
        };
        out.push_back({tr("Satisfied clients, %1, %").arg(name),
                       of([](const HourCapacity& h) { return 100 * h.site.satisfied_share(); }),
                       1,
                       true,
                       {},
                       true});
        out.push_back({tr("Carried, %1, Mbit/s").arg(name),
                       of([](const HourCapacity& h) { return h.site.got_down_mbps + h.site.got_up_mbps; }),
                       0,
                       true,
                       {}});
    }
    return out;
}

FiguresRow figures_row(const VariantFigure& figure, const VariantResults& results) {
    FiguresRow row{figure.name, {}};
    std::optional<double> best, worst;
    for (const auto& r : results) {
        const auto value = r ? figure.value(*r) : std::nullopt;
        if (!value) continue;
        best = best ? (figure.more_is_better ? std::max(*best, *value) : std::min(*best, *value)) : *value;
        worst =
            worst ? (figure.more_is_better ? std::min(*worst, *value) : std::max(*worst, *value)) : *value;
    }
    const double same = 0.5 * std::pow(10, -figure.decimals);
    for (const auto& r : results) {
        const auto value = r ? figure.value(*r) : std::nullopt;
        FiguresCell cell;
        if (value) {
            cell.text = figure.is_share ? render::share_figure(*value / 100, figure.decimals)
                                        : render::figure(*value, figure.decimals);
            cell.strong = std::abs(*best - *worst) > same && std::abs(*value - *best) < same;
            cell.fails = figure.required && (figure.more_is_better ? *value < *figure.required - 1e-7
                                                                   : *value > *figure.required + 1e-7);
        } else if (r && r->verdict) {
            cell.text = tr("none");
        }
        row.cells.push_back(std::move(cell));
    }
    return row;
}

}  // namespace

std::vector<FiguresRow> variant_rows(const Project& project, const VariantResults& results) {
    std::vector<FiguresRow> out;
    for (const auto& part :
         {gear_figures(results), verdict_figures(project, results), capacity_figures(project)})
        for (const VariantFigure& f : part) out.push_back(figures_row(f, results));
    return out;
}

}  // namespace yemvo::app

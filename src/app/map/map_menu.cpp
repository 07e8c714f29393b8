// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/map/map_menu.h"

#include <QMenu>
#include <algorithm>
#include <cmath>
#include <tuple>

#include "app/model/document.h"
#include "app/model/going.h"
#include "app/model/prediction.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/workspace.h"
#include "app/offer/shell.h"
#include "project/edits.h"
#include "project/item.h"
#include "project/project.h"
#include "render/map_choice.h"
#include "render/text_style.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

/// Adds commands to one menu.
class Filler {
public:
    Filler(Shell& shell, QMenu* menu) : shell_(shell), menu_(menu), workspace_(shell.workspace()) {}

    void add(const QString& id, const QString& text, const char* key, std::function<void()> run,
             std::function<bool()> is_on = {}) {
        shell_.command_in(menu_,
                          {id, text, QKeySequence(key), std::move(run), Needs::work, std::move(is_on)});
    }
    /// One that changes how the map looks.
    template <class Change, class IsSo>
    void look(const QString& id, const QString& text, Change change, IsSo is_so) {
        add(
            id, text, "",
            [&w = workspace_, change] {
                render::MapChoice map = w.shown().map();
                change(map);
                w.shown().set(map);
            },
            [&w = workspace_, is_so] { return is_so(w.shown().map()); });
    }

private:
    Shell& shell_;
    QMenu* menu_;
    Workspace& workspace_;
};

void move_threshold(Workspace& w, int steps) {
    render::MapChoice map = w.shown().map();
    const render::MapScale scale = scale_of(map);
    if (scale.is_choice || map.is_change())
        return w.tell(tr("This map has no threshold: choose Signal, SNR or another amount"), true);
    const double by = scale.is_count ? scale.step : scale.step / 5;
    map.threshold = std::clamp(map.threshold + steps * by, scale.low, scale.high());
    w.shown().set(map);
    w.tell(tr("Threshold %1 %2")
               .arg(render::figure(map.threshold, map.threshold == std::floor(map.threshold) ? 0 : 1),
                    QString::fromStdString(scale.unit)));
}

void step_lens(Workspace& w, int by) {
    const auto& all = lenses();
    const int count = static_cast<int>(all.size());
    const int at = (static_cast<int>(w.shown().map().lens) + by + count) % count;
    w.shown().look_through(all[static_cast<std::size_t>(at)].id);
    w.tell(tr_mark(lens(w.shown().map().lens).name) + ": " + tr_mark(lens(w.shown().map().lens).meaning));
}

void colour_lens(Workspace& w, const QString& label, const LensColours& c) {
    const LensInfo& info = lens(w.shown().map().lens);
    const bool usual = c == render::usual_colours(info);
    w.edit(label, [&](Project& p) { usual ? reset_colours(p, info.key) : set_colours(p, c); });
}

/// Steps of 1, 2, 3, 5 and 10 of the unit, or parts and multiples of the usual one where it is another.
std::vector<double> steps_of(const LensInfo& info) {
    if (info.unit == "dBm" || info.unit == "dB" || info.unit == "%") return {1, 2, 3, 5, 10};
    return {info.step / 4, info.step / 2, info.step, 2 * info.step, 5 * info.step};
}

/// What the map in view begins with, how wide its steps are and in which palette; kept with the project.
void fill_colours(QMenu* menu, Workspace& w) {
    menu->clear();
    const LensInfo& info = lens(w.shown().map().lens);
    if (!w.document().is_open()) {
        menu->addAction(tr("No project is open"))->setEnabled(false);
        return;
    }
    if (info.is_choice() || w.shown().map().is_change()) {
        menu->addAction(tr("This map has colours of its own"))->setEnabled(false);
        return;
    }
    const LensColours now = render::colours_of(w.project(), info);
    const auto offer = [&](const QString& text, const QString& label, const LensColours& c) {
        QAction* a = menu->addAction(text);
        a->setCheckable(true);
        a->setChecked(c == now);
        QObject::connect(a, &QAction::triggered, &w, [&w, label, c] { colour_lens(w, label, c); });
    };
    const auto words = [&](double v) {
        return render::figure(v, v == std::floor(v) ? 0 : 2) + " " + tr_mark(info.unit);
    };
    menu->addSection(tr("Step"));
    for (const double step : steps_of(info)) {
        LensColours c = now;
        c.step = step;
        offer(tr("Steps of %1").arg(words(step)), tr("Change step of the map"), c);
    }
    menu->addSection(tr("Range"));
    for (const int by : {-2, -1, 0, 1, 2}) {
        LensColours c = now;
        c.low = now.low + by * now.step;
        offer(tr("From %1 to %2").arg(words(c.low), words(c.low + 12 * c.step)),
              tr("Change range of the map"), c);
    }
    menu->addSection(tr("Palette"));
    for (const auto& [key, name] : render::palettes()) {
        LensColours c = now;
        c.palette = key;
        offer(tr_mark(name), tr("Change palette of the map"), c);
    }
    menu->addSeparator();
    QAction* reset = menu->addAction(tr("As usual"));
    reset->setEnabled(find_colours(w.project(), info.key) != nullptr);
    QObject::connect(reset, &QAction::triggered, &w, [&w, key = info.key] {
        w.edit(tr("Colour the map as usual"), [&](Project& p) { reset_colours(p, key); });
    });
}

void fill_variants(QMenu* menu, Workspace& w) {
    menu->clear();
    const Project& project = w.project();
    for (const Variant& v : project.variants) {
        if (v.id == project.variant) continue;
        QAction* action = menu->addAction(QString::fromStdString(v.name));
        action->setCheckable(true);
        const bool shown =
            w.shown().map().against == render::Against::variant && w.shown().map().other == v.id;
        action->setChecked(shown);
        QObject::connect(action, &QAction::triggered, &w, [&w, id = v.id, shown] {
            w.shown().hold_against(shown ? render::Against::nothing : render::Against::variant, id);
        });
    }
    if (menu->isEmpty()) menu->addAction(tr("There is no other variant"))->setEnabled(false);
}

}  // namespace

void choose_band(Workspace& w, BandId id, bool also) {
    render::MapChoice map = w.shown().map();
    const BandSet turned = map.bands.with(id, !map.bands.contains(id));
    map.bands = !also ? BandSet(id) : turned.empty() ? map.bands : turned;
    w.shown().set(map);
}

void fill_map_menu(Shell& shell, QMenu* menu) {
    Workspace& w = shell.workspace();
    Filler fill(shell, menu);
    int number = 0;
    for (const Band& b : bands()) {
        ++number;
        const QString name = QString::fromStdString(b.name) + " GHz";
        fill.add(
            QString("map.band-%1").arg(number), tr("Band %1").arg(name),
            qPrintable(QString("Alt+%1").arg(number)), [&w, id = b.id] { choose_band(w, id, false); },
            [&w, id = b.id] { return w.shown().map().bands == BandSet(id); });
        fill.add(
            QString("map.also-band-%1").arg(number), tr("Also band %1").arg(name),
            qPrintable(QString("Alt+Shift+%1").arg(number)), [&w, id = b.id] { choose_band(w, id, true); },
            [&w, id = b.id] { return w.shown().map().bands.contains(id); });
    }
    menu->addSeparator();
    const std::tuple<const char*, QString, const char*, RadiosShown> radios[] = {
        {"map.radios-all", tr("Radios of all access points"), "Alt+A", RadiosShown::all},
        {"map.radios-selected", tr("Radios of the selected access points"), "Alt+S", RadiosShown::selected},
        {"map.radios-ticked", tr("Radios of the ticked access points"), "Alt+T", RadiosShown::ticked}};
    for (const auto& [id, text, key, which] : radios)
        fill.add(
            id, text, key, [&w, which = which] { w.shown().show_radios(which); },
            [&w, which = which] { return w.shown().radios() == which; });
    fill.add("map.tick", tr("Tick or untick the selected access points"), "Alt+X", [&w] {
        for (const Item& item : w.selection().items())
            if (const AccessPointId id{item.id}; item.kind == ItemKind::access_point)
                w.shown().tick(id, std::ranges::count(w.shown().ticked(), id) == 0);
        w.tell(
            counted("%n access point is ticked", "%n access points are ticked", w.shown().ticked().size()));
    });
    menu->addSeparator();
    fill.add("map.threshold-up", tr("Threshold up"), "Alt+Up", [&w] { move_threshold(w, 1); });
    fill.add("map.threshold-down", tr("Threshold down"), "Alt+Down", [&w] { move_threshold(w, -1); });
    fill.add("map.next-lens", tr("Next lens"), "Alt+Right", [&w] { step_lens(w, 1); });
    fill.add("map.lens-before", tr("Lens before"), "Alt+Left", [&w] { step_lens(w, -1); });
}

void fill_colouring_menu(Shell& shell, QMenu* menu) {
    Workspace& w = shell.workspace();
    Filler fill(shell, menu);
    for (const bool smooth : {false, true})
        fill.look(
            smooth ? "map.smooth" : "map.in-steps", smooth ? tr("Smooth") : tr("In steps"),
            [smooth](auto& m) { m.smooth = smooth; }, [smooth](const auto& m) { return m.smooth == smooth; });
    menu->addSeparator();
    for (const int percent : {100, 75, 50, 25})
        fill.look(
            QString("map.opaque-%1").arg(percent), tr("%1 % opaque").arg(percent),
            [percent](auto& m) { m.opacity = percent / 100.0; },
            [percent](const auto& m) { return std::abs(m.opacity - percent / 100.0) < 1e-9; });
    menu->addSeparator();
    fill.look(
        "map.labels", tr("Value labels"), [](auto& m) { m.labels = !m.labels; },
        [](const auto& m) { return m.labels; });
    auto* colours = menu->addMenu(tr("Step, range and palette"));
    colours->setObjectName("lensColours");
    QObject::connect(colours, &QMenu::aboutToShow, &w, [colours, &w] { fill_colours(colours, w); });
    menu->addSeparator();
    fill.add(
        "map.change-by-last-edit", tr("Change by the last edit"), "",
        [&w] {
            const bool on = w.shown().map().against == render::Against::last_edit;
            w.shown().hold_against(on ? render::Against::nothing : render::Against::last_edit);
        },
        [&w] { return w.shown().map().against == render::Against::last_edit; });
    auto* others = menu->addMenu(tr("Change against variant"));
    others->setObjectName("othersMenu");
    QObject::connect(others, &QMenu::aboutToShow, &w, [others, &w] { fill_variants(others, w); });
    menu->addSeparator();
    for (const double grid_m : grids_m)
        fill.add(
            QString("map.grid-%1cm").arg(std::lround(100 * grid_m)), tr("A value every %1 m").arg(grid_m), "",
            [&w, grid_m] { choose_grid(w, grid_m); },
            [&w, grid_m] { return w.project().settings.grid_m == grid_m; });
}

}  // namespace yemvo::app

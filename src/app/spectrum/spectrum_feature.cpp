// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/spectrum/spectrum_feature.h"

#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/listening.h"
#include "app/model/results.h"
#include "app/model/spectrum.h"
#include "app/model/tuning.h"
#include "app/spectrum/retune_page.h"
#include "app/spectrum/spectrum_page.h"
#include "app/spectrum/widths_page.h"
#include "render/tr.h"
#include "tuning/tuning_room.h"

namespace yemvo::app {
namespace {

SiteWork hearing_work(const Project& project) {
    const auto radios = std::make_shared<const std::vector<AirRadio>>(air_radios(project));
    struct OfFloor {
        std::vector<HeardFloor::Pair> pairs;
        std::vector<Spill> spill;
    };
    SiteWork work;
    work.of_floor = {"hearing",
                     [radios](const Project& p, const FloorPrediction& floor, const Verdict&,
                              const CancelToken&) -> Answer {
                         return std::make_shared<const OfFloor>(
                             OfFloor{heard_between(p, *radios, floor), spill_on(p, floor)});
                     },
                     false};
    work.of_all = [radios](const std::vector<Answer>& answers, const CancelToken&) -> Answer {
        std::vector<std::vector<HeardFloor::Pair>> floors;
        std::vector<Spill> spill;
        for (const Answer& a : answers) {
            if (!a) continue;
            const auto& floor = *static_cast<const OfFloor*>(a.get());
            floors.push_back(floor.pairs);
            spill.insert(spill.end(), floor.spill.begin(), floor.spill.end());
        }
        auto hearing = std::make_shared<SiteHearing>(site_hearing(*radios, floors));
        hearing->spill = std::move(spill);
        return hearing;
    };
    return work;
}

SiteWork room_work() {
    SiteWork work;
    work.of_floor = {
        "tuning room",
        [](const Project& p, const FloorPrediction& floor, const Verdict&, const CancelToken&) -> Answer {
            return std::make_shared<const TuningRoom>(tuning_room_on(p, floor));
        },
        true};
    work.of_all = [](const std::vector<Answer>& answers, const CancelToken&) -> Answer {
        auto all = std::make_shared<TuningRoom>();
        for (const Answer& a : answers)
            if (a) all->add(*static_cast<const TuningRoom*>(a.get()));
        return all;
    };
    return work;
}

}  // namespace

SpectrumFeature::SpectrumFeature(Shell& shell)
    : Feature(shell),
      page_(new SpectrumPage(workspace_, shell.frame())),
      retune_(new RetunePage(workspace_, shell.frame())),
      widths_(new WidthsPage(workspace_, shell.frame())) {
    workspace_.results().teach(
        {typeid(SiteHearing), {}, [this] { return hearing_work(workspace_.project()); }});
    workspace_.results().teach({typeid(TuningRoom), {}, [] { return room_work(); }});
    page_->setProperty(tray_height_property, 372);
    retune_->setProperty(tray_height_property, 300);
    shell.tray_page(tr("Spectrum board"), page_);
    shell.command("view.pages", {"view.spectrum", tr("Spectrum board"), QKeySequence("Ctrl+Alt+S"),
                                 [this] { shell_.show_tray(page_); }});
    shell.tray_page(tr("Retune"), retune_);
    Command retune{"spectrum.retune", tr("Retune…"), QKeySequence("Ctrl+Alt+R"),
                   [this] { shell_.show_tray(retune_); }};
    retune.tip = tr("Channels and widths with which least air is lost, worked out");
    page_->add_button(shell.command("view.pages", retune));
    shell.tray_page(tr("Widths"), widths_);
    widths_->setProperty(tray_height_property, 330);
    shell.command("view.pages", {"view.widths", tr("Widths and rates"), QKeySequence("Ctrl+Alt+W"),
                                 [this] { shell_.show_tray(widths_); }});
    shell.works({[this] { return widths_->doing(); }, [this] { widths_->stop(); }});
    connect(widths_, &WidthsPage::progressed, this, [this] { shell_.work_changed(); });
    shell.works({[this] { return retune_->is_working() ? retune_->doing() : QString(); },
                 [this] { retune_->stop(); }});
    connect(retune_, &RetunePage::progressed, this, [this] { shell_.work_changed(); });
    Command lock{"spectrum.lock", tr("Lock radio settings"), {}, [this] { this->lock(); }};
    lock.tip = tr("The chosen radios keep channel, width and power, whatever is worked out");
    shell.command("edit.shape", lock);
    connect(&workspace_.activity(), &Activity::step_changed, this, [this] {
        if (workspace_.activity().step() == Step::spectrum) shell_.show_tray(page_);
    });
    const auto want = [this] { workspace_.spectrum().want(this, workspace_.document().is_open()); };
    listen(this, want, workspace_, &Workspace::project_changed, workspace_.document(), &Document::opened);
}

void SpectrumFeature::lock() {
    if (workspace_.spectrum().chosen().empty())
        return workspace_.tell(tr("Choose radios on the spectrum board first"));
    toggle_locked(workspace_, workspace_.spectrum().chosen());
}

}  // namespace yemvo::app

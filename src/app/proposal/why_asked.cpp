// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/proposal/why_asked.h"

#include <algorithm>

namespace yemvo::app {

/// Used on one thread behind the window, one question after the other.
struct WhyAsked::Trials {
    Predictor predictor;
    SiteVerdicts verdicts{predictor};
};

WhyAsked::WhyAsked(QObject* parent) : QObject(parent) {
    connect(&behind_, &Behind::progressed, this, &WhyAsked::progressed);
}

void WhyAsked::of(std::shared_ptr<const Proposal> proposal, const ProposalAsk& ask) {
    behind_.stop();
    proposal_ = std::move(proposal);
    ask_ = ask;
    known_.clear();
    if (chosen_.value == 0) return;
    if (!move()) chosen_ = {};
    emit changed();
    this->ask();
}

void WhyAsked::choose(AccessPointId id) {
    if (chosen_ == id) return;
    chosen_ = id;
    if (!move()) chosen_ = {};
    emit changed();
    ask();
}

const ProposalMove* WhyAsked::move() const {
    if (!proposal_ || chosen_.value == 0) return nullptr;
    const auto& moves = proposal_->plan.moves;
    const auto found = std::ranges::find_if(moves, [&](const ProposalMove& m) {
        return m.access_point == chosen_ && m.kind != MoveKind::removed;
    });
    return found == moves.end() ? nullptr : &*found;
}

const AccessPoint* WhyAsked::access_point() const {
    const ProposalMove* m = move();
    return m ? find_access_point(proposal_->plan.project, m->floor, m->access_point) : nullptr;
}

const WhyAsked::Why& WhyAsked::why() const {
    static const Why nothing;
    const auto known = known_.find(chosen_);
    return known == known_.end() ? nothing : known->second;
}

void WhyAsked::ask() {
    if (!move() || why().whole) return;
    if (!trials_) trials_ = std::make_shared<Trials>();
    const AccessPointId id = chosen_;
    const auto learn = [this, id](auto&& what) {
        what(known_[id]);
        emit changed();
    };
    behind_.request({tr("Asking why"),
                     [learn, id, trials = trials_, ask = ask_, proposal = proposal_](const AtWork& at) {
                         const Project& plan = proposal->plan.project;
                         const Verdict without =
                             trials->verdicts.of(without_access_point(plan, id), at.cancel()).verdict;
                         at.hand_over([learn, lost = losses(proposal->verdict, without)] {
                             learn([&](Why& why) { why.lost = lost; });
                         });
                         const auto grows = [&](const MovableArea& area) {
                             if (area.cells.size() % 8 != 1) return;
                             at.hand_over([learn, area] { learn([&](Why& why) { why.area = area; }); });
                         };
                         const MovableArea area =
                             movable_area(plan, id, ask, trials->verdicts, {}, at.cancel(), grows);
                         at.hand_over([learn, area] {
                             learn([&](Why& why) {
                                 why.area = area;
                                 why.whole = true;
                             });
                         });
                     },
                     [learn](const QString& why) { learn([&](Why& known) { known.fault = why; }); }});
}

}  // namespace yemvo::app

// SPDX-License-Identifier: GPL-3.0-or-later
// Why one access point of a proposal hangs where it does, worked out behind the window.
#pragma once
#include <QObject>
#include <map>
#include <memory>
#include <optional>

#include "app/behind/behind.h"
#include "proposal/propose.h"
#include "proposal/why.h"

namespace yemvo::app {

class WhyAsked : public QObject {
    Q_OBJECT
public:
    struct Why {
        std::optional<std::vector<VerdictLoss>> lost = {};  ///< without it
        std::optional<MovableArea> area = {};               ///< as far as it is known
        bool whole = false;                                 ///< the area is all of it
        QString fault = {};
    };
    explicit WhyAsked(QObject* parent = nullptr);
    /// Another plan; null: none. Who is chosen stays so where the plan still has it.
    void of(std::shared_ptr<const Proposal>, const ProposalAsk&);
    /// Id as its move names it; 0: nobody.
    void choose(AccessPointId);
    AccessPointId chosen() const { return chosen_; }
    /// Null while nobody is chosen.
    const ProposalMove* move() const;
    const AccessPoint* access_point() const;
    const Why& why() const;
    const std::shared_ptr<const Proposal>& proposal() const { return proposal_; }
    bool is_working() const { return !behind_.is_idle(); }
    QString doing() const { return behind_.words(); }
    void stop() { behind_.stop(); }

signals:
    void changed();
    void progressed();

private:
    struct Trials;  ///< what is remembered from one question to the next
    void ask();
    std::shared_ptr<const Proposal> proposal_;
    ProposalAsk ask_;
    AccessPointId chosen_;
    std::map<AccessPointId, Why> known_;
    std::shared_ptr<Trials> trials_;
    Behind behind_;  ///< last: it is waited for before the others go
};

}  // namespace yemvo::app

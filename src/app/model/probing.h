// SPDX-License-Identifier: GPL-3.0-or-later
// The probe in view: every radio heard there, and why.
#pragma once
#include <QObject>
#include <QString>
#include <memory>
#include <optional>
#include <vector>

#include "coverage/probe.h"
#include "coverage/site_prediction.h"

namespace yemvo::app {

class Workspace;

/// The links of the probe in view, in the map's bands, strongest first.
struct ProbedPlace {
    Probe probe;
    std::vector<LinkExplanation> links;
    std::size_t chosen = 0;  ///< the link that is drawn
    std::shared_ptr<const Scene> scene;
    std::shared_ptr<const std::vector<RadioField>> radios;  ///< of the prediction that was looked at
    QString name() const { return QString("P%1").arg(probe.number); }
    const LinkExplanation* link() const { return chosen < links.size() ? &links[chosen] : nullptr; }
};

class Probing : public QObject {
    Q_OBJECT
public:
    explicit Probing(Workspace&);
    /// None while no probe is chosen or its floor is not predicted.
    const std::optional<ProbedPlace>& place() const { return place_; }
    int number() const { return number_; }
    /// 0: none.
    void choose(int number);
    void choose_link(std::size_t);

    /// For the workspace: another project.
    void start();

signals:
    void changed();

private:
    void look();
    Workspace& workspace_;
    int number_ = 0;
    std::optional<ProbedPlace> place_;
};

}  // namespace yemvo::app

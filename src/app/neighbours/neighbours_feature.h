// SPDX-License-Identifier: GPL-3.0-or-later
// Other people's networks brought onto the plan: a capture or a table dropped on a place, or read into a
// listening place.
#pragma once
#include <QPointF>
#include <functional>
#include <vector>

#include "app/behind/behind.h"
#include "app/offer/feature.h"
#include "venue/listening_place.h"

namespace yemvo::app {

class PlanView;

class NeighboursFeature : public Feature {
    Q_OBJECT
public:
    NeighboursFeature(Shell&, PlanView&);
    ~NeighboursFeature() override;
    bool is_reading() const { return !behind_.is_idle(); }

private:
    bool take(const QStringList& files, QPoint global);
    /// Reads a file behind the window and hands over what was heard at a place of the floor in view now.
    void read(const QString& file, Point at, std::function<void(std::vector<Neighbour>)> use);
    void ask_to_read(ListeningPlaceId);
    void ask_to_write(ListeningPlaceId);
    PlanView& plan_;
    Behind behind_;
};

}  // namespace yemvo::app

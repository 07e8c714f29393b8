// SPDX-License-Identifier: GPL-3.0-or-later
// The zones of a floor with the places that the first answer begins with.
#pragma once
#include <QWidget>

#include "capacity/first_answer.h"

namespace yemvo::app {

class RoughPlan : public QWidget {
    Q_OBJECT
public:
    explicit RoughPlan(QWidget* parent = nullptr);
    void show_floor(const Project&, FloorId, const FirstAnswer&, const std::string& hour);
    std::size_t places() const { return places_.size(); }

private:
    void paintEvent(QPaintEvent*) override;
    Floor floor_;
    DemandBook book_;
    FirstAnswer answer_;
    std::vector<RoughPlace> places_;
};

}  // namespace yemvo::app

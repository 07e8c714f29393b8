// SPDX-License-Identifier: GPL-3.0-or-later
// What a verdict loses, a requirement in two lines: what and how far, where and when.
#pragma once
#include <QWidget>
#include <vector>

#include "proposal/why.h"

namespace yemvo::app {

class LossesList : public QWidget {
    Q_OBJECT
public:
    explicit LossesList(QWidget* parent = nullptr);
    /// Names are looked up in the project.
    void show(const Project&, const std::vector<VerdictLoss>&);
    /// As it is read, a line each.
    QStringList lines() const;

protected:
    void paintEvent(QPaintEvent*) override;

private:
    struct Row {
        QString what, where, after, required;
        std::optional<BandId> band;
        bool fails;
    };
    std::vector<Row> rows_;
};

}  // namespace yemvo::app

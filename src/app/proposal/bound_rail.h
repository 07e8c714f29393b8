// SPDX-License-Identifier: GPL-3.0-or-later
// How many access points a proposal takes, between what no plan can do without and what hangs now.
#pragma once
#include <QColor>
#include <QWidget>
#include <vector>

namespace yemvo::app {

class BoundRail : public QWidget {
public:
    explicit BoundRail(QWidget* parent = nullptr);
    struct Figures {
        int least = 0, proposed = 0, now = 0;
        bool operator==(const Figures&) const = default;
    };
    void show_figures(const Figures&);
    const Figures& figures() const { return figures_; }

private:
    void paintEvent(QPaintEvent*) override;
    QSize sizeHint() const override { return {260, 46}; }
    double x_of(double count) const;
    struct Label {
        double x;
        QString text;
        QColor ink;
    };
    void paint_labels(QPainter&, std::vector<Label>) const;
    Figures figures_;
    double low_ = 0, high_ = 1;  ///< of the line
};

}  // namespace yemvo::app

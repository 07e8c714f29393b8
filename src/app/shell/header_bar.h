// The header: menus, the five steps with what is missing in each, the verdict.
#pragma once
#include <QAbstractButton>
#include <QMenuBar>
#include <optional>
#include <vector>

#include "app/model/activity.h"
#include "app/model/workspace.h"
#include "coverage/verdict.h"

namespace yemvo::app {

class StepButton : public QAbstractButton {
    Q_OBJECT
public:
    StepButton(const QString& name, QWidget* parent);
    void set_mark(const QString& mark);
    const QString& mark() const { return mark_; }

protected:
    void paintEvent(QPaintEvent*) override;

private:
    QString mark_;
};

/// For each band with requirements: the share met, its outcome, the change by the last edit.
class VerdictView : public QAbstractButton {
    Q_OBJECT
public:
    explicit VerdictView(Workspace&, QWidget* parent = nullptr);
    QSize sizeHint() const override;
    /// As it reads, for tests and screen readers: "97.9 % 2.4 GHz".
    QString words() const;

protected:
    void paintEvent(QPaintEvent*) override;

private:
    bool judged() const;
    Workspace& workspace_;
};

/// How many findings wait to be mended or accepted.
class FindingsButton : public QAbstractButton {
    Q_OBJECT
public:
    explicit FindingsButton(Workspace&, QWidget* parent = nullptr);

protected:
    void paintEvent(QPaintEvent*) override;

private:
    Workspace& workspace_;
};

class HeaderBar : public QWidget {
    Q_OBJECT
public:
    void refresh();
    explicit HeaderBar(Workspace&, QWidget* parent = nullptr);
    QMenuBar* menus() { return menus_; }

signals:
    void findings_asked();

private:
    void paintEvent(QPaintEvent*) override;
    Workspace& workspace_;
    QMenuBar* menus_;
    std::vector<StepButton*> steps_;
    VerdictView* verdict_;
};

/// What a step still lacks, or what it holds: "2 floors to draw".
QString step_mark(const Project&, Step, const std::optional<Verdict>&);

}  // namespace yemvo::app
